import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
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

export const facetsQuery = (term: string) =>
  queryOptions({
    queryKey: ['facets', term],
    queryFn: ({ signal }) =>
      call(http.GET('/api/terms/{term}/facets', { params: { path: { term } }, signal })),
    staleTime: Infinity,
  });

export const searchPageSize = 50;

/** A search of the Catalogue: its words, narrowing and order, as they stand in the address. */
export const searchQuery = (term: string, search: string) =>
  infiniteQueryOptions({
    queryKey: ['search', term, search],
    queryFn: async ({ pageParam, signal }) => {
      const query = new URLSearchParams(search);
      query.set('first', String(pageParam));
      query.set('count', String(searchPageSize));
      return call(
        http.GET('/api/terms/{term}/search', {
          params: { path: { term } },
          querySerializer: () => query.toString(),
          signal,
        }),
      );
    },
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const loaded = pages.reduce((sum, page) => sum + page.courses.length, 0);
      return loaded < last.total && last.courses.length > 0 ? loaded : undefined;
    },
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });

/** Timetables with each of some courses. */
export const fitsQuery = (ask: Ask, courses: readonly string[]) =>
  queryOptions({
    queryKey: ['fits', keyOf(ask), courses.join(' ')],
    queryFn: async ({ signal }) => {
      const { fits } = await call(
        http.POST('/api/answers/fits', { body: { ask, courses: [...courses] }, signal }),
      );
      return fits;
    },
    staleTime: Infinity,
    gcTime: 60_000,
  });

/** In how many timetables each section of a course stands, the course taken. */
export const standingQuery = (ask: Ask, course: string) =>
  queryOptions({
    queryKey: ['standing', keyOf(ask), course],
    queryFn: ({ signal }) =>
      call(http.POST('/api/answers/standing', { body: { ask, courses: [course] }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 60_000,
  });

export const numbersQuery = (term: string, text: string) =>
  queryOptions({
    queryKey: ['numbers', term, text],
    queryFn: ({ signal }) =>
      call(
        http.POST('/api/terms/{term}/numbers', { params: { path: { term } }, body: { text }, signal }),
      ),
    enabled: text.trim() !== '',
    placeholderData: keepPreviousData,
    staleTime: 60_000,
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
