import { useMutation, useMutationState, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { ApiError, call, http, type Picks, type PicksState } from '@/api/client';
import { picksKey, picksQuery } from '@/api/queries';
import { useStable } from '@/lib/useStable';
import { tellOtherWindows, useOtherWindows } from './otherWindows';

type Change = { kind: 'save'; edit: (picks: Picks) => Picks } | { kind: 'undo' | 'redo' };

const mostTries = 5;

/**
 * The line-up and the choice of a term. A change is shown at once and made anew on what the server has by then, so that
 * two windows lose nothing; what cannot be saved is taken back and said.
 */
export function usePicks(term: string) {
  const client = useQueryClient();
  const key = picksKey(term);
  const query = useQuery(picksQuery(term));
  const [problem, setProblem] = useState<string | null>(null);

  const mutationKey = ['pick', term];

  const mutation = useMutation({
    mutationKey,
    scope: { id: `picks ${term}` },
    mutationFn: async (change: Change) => {
      let base = await client.query(picksQuery(term));
      for (let tries = 1; ; tries++) {
        try {
          return await send(term, base, change);
        } catch (error) {
          if (!(error instanceof ApiError) || !error.newerPicks || tries >= mostTries) throw error;
          base = error.newerPicks;
        }
      }
    },
    onSuccess: (state) => {
      client.setQueryData<PicksState>(key, state);
      tellOtherWindows(term);
      setProblem(null);
    },
    onError: (error) => {
      setProblem(`That change was not saved. ${error.message}`);
      void client.invalidateQueries({ queryKey: key });
    },
  });
  useOtherWindows(term, () => void client.invalidateQueries({ queryKey: key }));

  const actions = useStable({
    change: (edit: (picks: Picks) => Picks) => mutation.mutate({ kind: 'save', edit }),
    undo: () => mutation.mutate({ kind: 'undo' }),
    redo: () => mutation.mutate({ kind: 'redo' }),
    forgetProblem: () => setProblem(null),
    retry: () => void query.refetch(),
  });
  // Changes on their way are seen by every part of the page that asks.
  const unsaved = useMutationState({
    filters: { mutationKey, status: 'pending' },
    select: (one) => one.state.variables as Change | undefined,
  });
  const { data, error } = query;
  return useMemo(() => {
    const state = data ?? { version: 0, canUndo: false, canRedo: false, picks: nothingPicked };
    return {
      ...actions,
      picks: unsaved.reduce((picks, change) => (change?.kind === 'save' ? change.edit(picks) : picks), state.picks),
      canUndo: state.canUndo,
      canRedo: state.canRedo,
      isLoaded: data !== undefined,
      isSaving: unsaved.length > 0,
      failed: data === undefined ? error : null,
      problem,
    };
  }, [actions, data, error, unsaved, problem]);
}

export type PicksEdits = ReturnType<typeof usePicks>;

const nothingPicked: Picks = { lineUp: [], baseline: null, choice: null };

function send(term: string, base: PicksState, change: Change): Promise<PicksState> {
  const params = { path: { term } };
  const { version } = base;
  switch (change.kind) {
    case 'save': {
      // The types of a body forget that an object in it may be null.
      const picks = change.edit(base.picks) as never;
      return call(http.PUT('/api/terms/{term}/picks', { params, body: { version, picks } }));
    }
    case 'undo':
      return call(http.POST('/api/terms/{term}/picks/undo', { params, body: { version } }));
    case 'redo':
      return call(http.POST('/api/terms/{term}/picks/redo', { params, body: { version } }));
  }
}
