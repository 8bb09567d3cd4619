import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Plan } from '@/api/client';
import { planQuery } from '@/api/requirementQueries';
import { isSame } from '@/lib/isSame';
import { useStable } from '@/lib/useStable';
import { useSaverState, useSaving } from '@/saving/SavingContext';

/** What stands in terms ahead. A change is shown at once; what cannot be saved for now stays in view, and is kept and sent again. */
export function usePlan() {
  const saver = useSaving().plan();
  const state = useSaverState(saver);
  const query = useQuery(planQuery);
  const { data, error } = query;

  const actions = useStable({
    change: (make: (plan: Plan) => Plan) => {
      const before = saver.shown(saver.known() ?? nothingPlanned);
      const after = make(before);
      if (!isSame(before, after)) void saver.change(before, after);
    },
    undo: () => saver.undo(),
    redo: () => saver.redo(),
    retry: () => void query.refetch(),
  });
  return useMemo(() => {
    const saved = data ?? { canUndo: false, canRedo: false, plan: nothingPlanned };
    return {
      ...actions,
      plan: state.changes.length > 0 ? saver.shown(saved.plan) : saved.plan,
      canUndo: saved.canUndo || state.changes.length > 0,
      canRedo: state.canRedoUnsaved || (saved.canRedo && state.changes.length === 0),
      isLoaded: data !== undefined,
      isSaving: state.isSaving,
      isFailing: state.failure !== null,
      failed: data === undefined ? error : null,
    };
  }, [actions, data, error, saver, state]);
}

export type PlanEdits = ReturnType<typeof usePlan>;

const nothingPlanned: Plan = { entries: [] };
