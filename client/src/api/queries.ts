import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { type Answer, type Ask, call, http } from './client';

/** An ask as a cache key: asks are equal when their JSON is. */
export function keyOf(ask: Ask): string {
  return JSON.stringify(ask);
}

export const sketchKey = (term: string) => ['sketch', term] as const;

export const visitQuery = queryOptions({
  queryKey: ['visit'],
  queryFn: ({ signal }) => call(http.POST('/api/visit', { signal })),
  staleTime: Infinity,
});

export const termsQuery = queryOptions({
  queryKey: ['terms'],
  queryFn: ({ signal }) => call(http.GET('/api/terms', { signal })),
  staleTime: Infinity,
});

export const sketchQuery = (term: string) =>
  queryOptions({
    queryKey: sketchKey(term),
    queryFn: ({ signal }) =>
      call(http.POST('/api/terms/{term}/sketch', { params: { path: { term } }, signal })),
    staleTime: Infinity,
  });

export const suggestionsQuery = (term: string, query: string) =>
  queryOptions({
    queryKey: ['suggestions', term, query],
    queryFn: ({ signal }) =>
      call(http.GET('/api/terms/{term}/courses', { params: { path: { term }, query: { query } }, signal })),
    enabled: query.trim() !== '',
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });

export const courseQuery = (term: string, course: string) =>
  queryOptions({
    queryKey: ['course', term, course],
    queryFn: ({ signal }) =>
      call(http.GET('/api/terms/{term}/courses/{course}', { params: { path: { term, course } }, signal })),
    staleTime: Infinity,
  });

/** Answers that come back with a save under way; asking for them a second time would be waste. */
const answersOfSaves = new Map<string, Promise<Answer | null>>();

export function expectAnswer(ask: Ask, answer: Promise<Answer | null>): void {
  const key = keyOf(ask);
  answersOfSaves.set(key, answer);
  void answer.finally(() => {
    if (answersOfSaves.get(key) === answer) answersOfSaves.delete(key);
  });
}

export const answerQuery = (ask: Ask, held: () => string[]) =>
  queryOptions({
    queryKey: ['answer', keyOf(ask)],
    queryFn: async ({ signal }) => {
      const saved = await answersOfSaves.get(keyOf(ask));
      const answer =
        saved ?? (await call(http.POST('/api/answers', { body: { ask, held: held() }, signal })));
      return { ask, key: keyOf(ask), answer };
    },
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 60_000,
  });

export const pageSize = 50;

type PageKind = 'timetables' | 'week-shapes';

/** A page of the walk: timetables, or the first timetable of each week shape. */
export const pageQuery = (kind: PageKind, ask: Ask, page: bigint) =>
  queryOptions({
    queryKey: [kind, keyOf(ask), String(page)],
    queryFn: async ({ signal }) => {
      const body = { ask, first: String(page * BigInt(pageSize)), count: pageSize };
      const { timetables } = await call(
        kind === 'timetables'
          ? http.POST('/api/answers/timetables', { body, signal })
          : http.POST('/api/answers/week-shapes', { body, signal }),
      );
      return timetables;
    },
    staleTime: Infinity,
    gcTime: 60_000,
  });
