import { keepPreviousData, type QueryClient, queryOptions } from '@tanstack/react-query';
import { afterPaint } from '@/lib/afterPaint';
import { type Answer, type Ask, call, http } from './client';

/** An ask as a cache key: asks are equal when their JSON is. */
export function keyOf(ask: Ask): string {
  return JSON.stringify(ask);
}

/**
 * An ask without what only orders its timetables: how many there are, and in how many each section stands, is the same
 * whatever matters to the student.
 */
export function countKeyOf(ask: Ask): string {
  return JSON.stringify({ ...ask, weights: undefined });
}

/** Saves under way that bring an answer back; asking for it a second time would be waste. */
const saves = new Map<string, Promise<unknown>>();

export function expectAnswer(ask: Ask, saved: Promise<unknown>): void {
  const key = countKeyOf(ask);
  saves.set(key, saved);
  void saved.finally(() => {
    if (saves.get(key) === saved) saves.delete(key);
  });
}

/** Takes note of an answer that came with something else. */
export function knowAnswer(client: QueryClient, ask: Ask, answer: Answer): void {
  const { queryKey } = answerQuery(ask);
  const state = client.getQueryState(queryKey);
  // One that is known already would only draw the same anew.
  if (!state?.data?.answer.isExact || state.isInvalidated)
    client.setQueryData(queryKey, { ask, key: countKeyOf(ask), answer });
}

export const answerOptions = { staleTime: Infinity, gcTime: 60_000 } as const;

/** How long a count is waited for until it is estimated meanwhile, in milliseconds. */
const patience = 20;

/** The same where the count comes with a save, which takes its time itself. */
const patienceWithSave = 150;

/** How long the count before took, in milliseconds: the next is much like it. */
let lastCountMs = 0;

/** What is known of an ask at once: its count where one was made before, else an estimate. */
export const atOnceQuery = (ask: Ask) =>
  queryOptions({
    queryKey: ['at-once', countKeyOf(ask)],
    queryFn: ({ signal }) => call(http.POST('/api/answers/at-once', { body: { ask }, signal })),
    ...answerOptions,
  });

/** What is known at once of an ask whose count takes longer than one waits for it; null where it does not, or fails. */
async function atOnceIfSlow(client: QueryClient, ask: Ask, wait = patience): Promise<Answer | null> {
  if (lastCountMs <= patience) {
    await new Promise((resolve) => setTimeout(resolve, wait));
    if (client.getQueryState(answerQuery(ask).queryKey)?.fetchStatus !== 'fetching') return null;
  }
  return client.query(atOnceQuery(ask)).catch(() => null);
}

/** An answer, the ask it was given to, and what of that it rests on. */
type Answered = { ask: Ask; key: string; answer: Answer };

/** How many timetables an ask has, and what it leaves of each course. */
export const answerQuery = (ask: Ask) =>
  queryOptions({
    queryKey: ['answer', countKeyOf(ask)],
    queryFn: async ({ client, signal }): Promise<Answered> => {
      const key = countKeyOf(ask);
      const saving = saves.get(key);
      const atOnce = atOnceIfSlow(client, ask, saving && patienceWithSave);
      const count = async () => {
        // One after the other, since the count would take the time of the estimate.
        const known = lastCountMs > patience ? await atOnce : null;
        return known?.isExact ? known : call(http.POST('/api/answers', { body: { ask }, signal }));
      };
      if (await saving) {
        const known = client.getQueryData<Answered>(['answer', key]);
        if (known) return known;
      }
      const answer = await count();
      lastCountMs = answer.countMs;
      return { ask, key, answer };
    },
    placeholderData: keepPreviousData,
    ...answerOptions,
  });

/**
 * Settles once an ask is counted; where that takes long, once it is estimated or there is no time for it either. Refused
 * where it cannot be answered.
 */
export async function soonKnown(client: QueryClient, ask: Ask): Promise<void> {
  const counted = client.query(answerQuery(ask));
  await Promise.race([counted, atOnceIfSlow(client, ask)]);
}

export const pageSize = 50;

/** The most week shapes that are listed; the count says how many more there are. */
export const mostListed = 2000;

/** A page of the best week shapes, each at its best timetable, and whether time sufficed to be sure of them. */
export const shapesQuery = (ask: Ask, page: number) =>
  queryOptions({
    queryKey: ['week-shapes', keyOf(ask), page],
    queryFn: async ({ signal }) => {
      await afterPaint();
      const body = { ask, first: page * pageSize, count: pageSize };
      return call(http.POST('/api/answers/week-shapes', { body, signal }));
    },
    ...answerOptions,
  });

/** Of the best week shapes, those that differ most from each other. */
export const spreadQuery = (ask: Ask, count: number) =>
  queryOptions({
    queryKey: ['spread', keyOf(ask), count],
    queryFn: async ({ signal }) =>
      (await call(http.POST('/api/answers/spread', { body: { ask, count }, signal }))).timetables,
    ...answerOptions,
  });

/** The timetables that change the fewest courses of what is held, and of those the best. */
export const fewestChangesQuery = (ask: Ask, count: number) =>
  queryOptions({
    queryKey: ['fewest-changes', keyOf(ask), count],
    queryFn: ({ signal }) => call(http.POST('/api/answers/fewest-changes', { body: { ask, count }, signal })),
    ...answerOptions,
  });

/** The timetables that have the week shape of one, the best first. */
export const lookAlikesQuery = (ask: Ask, sections: readonly string[]) =>
  queryOptions({
    queryKey: ['look-alikes', keyOf(ask), sections.join(' ')],
    queryFn: async ({ signal }) => {
      const body = { ask, sections: [...sections] };
      return (await call(http.POST('/api/answers/look-alikes', { body, signal }))).timetables;
    },
    ...answerOptions,
  });

/** What each rule, keep and rule-out costs, by its path in the ask. */
export const costsQuery = (ask: Ask) =>
  queryOptions({
    queryKey: ['costs', countKeyOf(ask)],
    queryFn: async ({ signal }) => {
      await afterPaint();
      return {
        key: countKeyOf(ask),
        ...(await call(http.POST('/api/answers/costs', { body: { ask }, signal }))),
      };
    },
    placeholderData: keepPreviousData,
    ...answerOptions,
  });

/** In how many timetables each section of the wanted courses stands. */
export const standingsQuery = (ask: Ask) =>
  queryOptions({
    queryKey: ['standings', countKeyOf(ask)],
    queryFn: async ({ signal }) => {
      await afterPaint();
      return call(http.POST('/api/answers/standings', { body: { ask }, signal }));
    },
    placeholderData: keepPreviousData,
    ...answerOptions,
  });

/** Why an ask has no timetable, and the ways out. */
export const whyQuery = (ask: Ask) =>
  queryOptions({
    queryKey: ['why', countKeyOf(ask)],
    queryFn: async ({ signal }) => {
      await afterPaint();
      return call(http.POST('/api/answers/why-none', { body: { ask }, signal }));
    },
    placeholderData: keepPreviousData,
    ...answerOptions,
  });

/** Of an ask that has no timetable, the week that comes nearest to it. */
export const nearestWeekQuery = (ask: Ask) =>
  queryOptions({
    queryKey: ['nearest-week', keyOf(ask)],
    queryFn: async ({ signal }) => {
      await afterPaint();
      return call(http.POST('/api/answers/nearest-week', { body: { ask }, signal }));
    },
    ...answerOptions,
  });
