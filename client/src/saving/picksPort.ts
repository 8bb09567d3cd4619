import type { QueryClient } from '@tanstack/react-query';
import { call, http, type Picks, type PicksState } from '@/api/client';
import { picksKey, picksQuery } from '@/api/queries';
import type { Base, Port } from './saver';
import { tell } from './windows';
import { wording } from '@/wording/saving/picksPort';

const baseOf = ({ version, picks }: PicksState): Base<Picks> => ({ version, content: picks });

/** Puts what is picked, as the server has it, in the place of what is older. */
export function knowPicks(client: QueryClient, term: string, state: PicksState): void {
  client.setQueryData<PicksState>(picksKey(term), (now) =>
    now && now.version > state.version ? now : state,
  );
}

/** Saves the line-up and the choice of a term. */
export function picksPort(client: QueryClient, term: string): Port<Picks> {
  const params = { path: { term } };
  const sent = async (saving: Promise<PicksState>) => {
    const state = await saving;
    knowPicks(client, term, state);
    tell({ kind: 'picks', term, state });
    return { base: baseOf(state), note: null };
  };
  return {
    document: { kind: 'picks', term },
    title: () => wording.lineUpAndChoice,
    base: () => {
      const state = client.getQueryData<PicksState>(picksKey(term));
      return state ? baseOf(state) : null;
    },
    load: async () => baseOf(await client.query(picksQuery(term))),
    save: ({ version }, picks) =>
      // The types of a body forget that an object in it may be null.
      sent(call(http.PUT('/api/terms/{term}/picks', { params, body: { version, picks: picks as never } }))),
    step: ({ version }, kind) => {
      const body = { params, body: { version } };
      return sent(
        kind === 'undo'
          ? call(http.POST('/api/terms/{term}/picks/undo', body))
          : call(http.POST('/api/terms/{term}/picks/redo', body)),
      );
    },
    newerIn: ({ newerPicks }) => {
      if (newerPicks) knowPicks(client, term, newerPicks);
      return newerPicks && baseOf(newerPicks);
    },
    rescue: () => Promise.reject(new Error(wording.noTermInCatalogueAny(term))),
    mend: (picks) => picks,
  };
}
