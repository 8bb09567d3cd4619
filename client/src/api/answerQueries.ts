import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { afterPaint } from '@/lib/afterPaint';
import { type Answer, type Ask, call, http } from './client';

/** An ask as a cache key: asks are equal when their JSON is. */
export function keyOf(ask: Ask): string {
  return JSON.stringify(ask);
}

/** Answers that come back with a save under way; asking for them a second time would be waste. */
const answersOfSaves = new Map<string, Promise<Answer | null>>();

export function expectAnswer(ask: Ask, answer: Promise<Answer | null>): void {
  const key = keyOf(ask);
  answersOfSaves.set(key, answer);
  void answer.finally(() => {
    if (answersOfSaves.get(key) === answer) answersOfSaves.delete(key);
  });
}

export const answerOptions = { staleTime: Infinity, gcTime: 60_000 } as const;

/** How many timetables an ask has, and what it leaves of each course. */
export const answerQuery = (ask: Ask) =>
  queryOptions({
    queryKey: ['answer', keyOf(ask)],
    queryFn: async ({ signal }) => {
      const saved = await answersOfSaves.get(keyOf(ask));
      const answer = saved ?? (await call(http.POST('/api/answers', { body: { ask }, signal })));
      return { ask, key: keyOf(ask), answer };
    },
    placeholderData: keepPreviousData,
    ...answerOptions,
  });

export const pageSize = 50;

/** The most week shapes that are listed; the count says how many more there are. */
export const mostListed = 2000;

/** A page of the best week shapes, each at its best timetable. */
export const shapesQuery = (ask: Ask, page: number) =>
  queryOptions({
    queryKey: ['week-shapes', keyOf(ask), page],
    queryFn: async ({ signal }) => {
      await afterPaint();
      const body = { ask, first: page * pageSize, count: pageSize };
      const { timetables } = await call(http.POST('/api/answers/week-shapes', { body, signal }));
      return timetables;
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
    queryKey: ['costs', keyOf(ask)],
    queryFn: async ({ signal }) => {
      await afterPaint();
      return { key: keyOf(ask), ...(await call(http.POST('/api/answers/costs', { body: { ask }, signal }))) };
    },
    placeholderData: keepPreviousData,
    ...answerOptions,
  });

/** In how many timetables each section of the wanted courses stands. */
export const standingsQuery = (ask: Ask) =>
  queryOptions({
    queryKey: ['standings', keyOf(ask)],
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
    queryKey: ['why', keyOf(ask)],
    queryFn: async ({ signal }) => {
      await afterPaint();
      return call(http.POST('/api/answers/why-none', { body: { ask }, signal }));
    },
    placeholderData: keepPreviousData,
    ...answerOptions,
  });
