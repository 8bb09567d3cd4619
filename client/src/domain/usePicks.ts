import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Picks } from '@/api/client';
import { picksQuery } from '@/api/queries';
import { useStable } from '@/lib/useStable';
import { isSame } from '@/lib/isSame';
import { useSaverState, useSaving } from '@/saving/SavingContext';

/**
 * The line-up and the choice of a term. A change is shown at once; what cannot be saved for now stays in view, and is
 * kept and sent again.
 */
export function usePicks(term: string, enabled = true) {
  const saver = useSaving().picks(term);
  const state = useSaverState(saver);
  const query = useQuery({ ...picksQuery(term), enabled });
  const { data, error } = query;

  const actions = useStable({
    change: (make: (picks: Picks) => Picks) => {
      const before = saver.shown(saver.known() ?? nothingPicked);
      const after = make(before);
      if (!isSame(before, after)) void saver.change(before, after);
    },
    undo: () => saver.undo(),
    redo: () => saver.redo(),
    retry: () => void query.refetch(),
  });
  return useMemo(() => {
    const saved = data ?? { canUndo: false, canRedo: false, picks: nothingPicked };
    return {
      ...actions,
      picks: state.changes.length > 0 ? saver.shown(saved.picks) : saved.picks,
      canUndo: saved.canUndo || state.changes.length > 0,
      canRedo: state.canRedoUnsaved || (saved.canRedo && state.changes.length === 0),
      isLoaded: data !== undefined,
      isSaving: state.isSaving,
      isFailing: state.failure !== null,
      failed: data === undefined ? error : null,
    };
  }, [actions, data, error, saver, state]);
}

export type PicksEdits = ReturnType<typeof usePicks>;

const nothingPicked: Picks = { lineUp: [], baseline: null, choice: null };
