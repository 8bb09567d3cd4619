import type { UseQueryResult } from '@tanstack/react-query';
import { useMemo } from 'react';
import { isSame } from '@/lib/isSame';
import { useStable } from '@/lib/useStable';
import type { Saver } from '@/saving/saver';
import { useSaverState } from '@/saving/SavingContext';

/** What the server says of undo and redo beside what it has. */
type Steps = { canUndo: boolean; canRedo: boolean };

/**
 * What a student changes as a whole: shown with what is not saved yet. A change is shown at once; what cannot be saved for now
 * stays in view, and is kept and sent again.
 */
export function useSavedWhole<Content, Data extends Steps>(
  saver: Saver<Content>,
  query: UseQueryResult<Data>,
  contentOf: (data: Data) => Content,
  nothing: Content,
) {
  const state = useSaverState(saver);
  const { data, error } = query;
  const actions = useStable({
    change: (make: (content: Content) => Content) => {
      const before = saver.shown(saver.known() ?? nothing);
      const after = make(before);
      if (!isSame(before, after)) void saver.change(before, after);
    },
    undo: () => saver.undo(),
    redo: () => saver.redo(),
    retry: () => void query.refetch(),
  });
  return useMemo(() => {
    const saved = data ? contentOf(data) : nothing;
    return {
      ...actions,
      content: state.changes.length > 0 ? saver.shown(saved) : saved,
      canUndo: (data?.canUndo ?? false) || state.changes.length > 0,
      canRedo: state.canRedoUnsaved || ((data?.canRedo ?? false) && state.changes.length === 0),
      isLoaded: data !== undefined,
      isSaving: state.isSaving,
      isFailing: state.failure !== null,
      failed: data === undefined ? error : null,
    };
  }, [actions, data, error, saver, state, contentOf, nothing]);
}
