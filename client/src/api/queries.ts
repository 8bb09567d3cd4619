import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { afterPaint } from '@/lib/afterPaint';
import { type Answer, type Ask, call, http, type PutBy } from './client';

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

/** How often a page asks whether there is a newer catalogue. */
const catalogueCheckMs = 10_000;

export const termsQuery = queryOptions({
  queryKey: ['terms'],
  queryFn: ({ signal }) => call(http.GET('/api/terms', { signal })),
  staleTime: Infinity,
  refetchInterval: catalogueCheckMs,
});

/** What a newer catalogue makes out of date: all but who the student is and the sketches themselves. */
export function isOfCatalogue(queryKey: readonly unknown[]): boolean {
  return !['visit', 'terms', 'sketch', 'sketches', 'picks', 'calendar-address'].includes(String(queryKey[0]));
}

export const sketchQuery = (term: string) =>
  queryOptions({
    queryKey: sketchKey(term),
    queryFn: ({ signal }) =>
      call(http.POST('/api/terms/{term}/sketch', { params: { path: { term } }, signal })),
    staleTime: Infinity,
  });

/** All sketches of a term, in their order, and the deleted ones. */
export const sketchesQuery = (term: string) =>
  queryOptions({
    queryKey: ['sketches', term],
    queryFn: ({ signal }) =>
      call(http.GET('/api/terms/{term}/sketches', { params: { path: { term } }, signal })),
  });

export const picksKey = (term: string) => ['picks', term] as const;

/** The line-up and the choice of a term. */
export const picksQuery = (term: string) =>
  queryOptions({
    queryKey: picksKey(term),
    queryFn: ({ signal }) =>
      call(http.GET('/api/terms/{term}/picks', { params: { path: { term } }, signal })),
    staleTime: Infinity,
  });

/** Where calendar programs find the choice of a term. */
export const calendarAddressQuery = (term: string) =>
  queryOptions({
    queryKey: ['calendar-address', term],
    queryFn: ({ signal }) =>
      call(http.GET('/api/terms/{term}/calendar-address', { params: { path: { term } }, signal })),
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

const answerOptions = { staleTime: Infinity, gcTime: 60_000 } as const;

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

const keyOfAll = (timetables: readonly PutBy[]) => JSON.stringify(timetables.map((one) => one.sections));

/** How timetables put by stand against an ask and the catalogue of now, in their order. */
export const putByQuery = (ask: Ask, timetables: readonly PutBy[]) =>
  queryOptions({
    queryKey: ['put-by', keyOf(ask), keyOfAll(timetables)],
    queryFn: async ({ signal }) => {
      const body = { ask, timetables: [...timetables] };
      return (await call(http.POST('/api/answers/put-by', { body, signal }))).timetables;
    },
    ...answerOptions,
  });

/** Timetables side by side, by what matters in an ask; their names stand in the sentences. */
export const comparedQuery = (ask: Ask, timetables: readonly PutBy[]) =>
  queryOptions({
    queryKey: ['compared', keyOf(ask), keyOfAll(timetables), timetables.map((one) => one.name).join()],
    queryFn: ({ signal }) =>
      call(http.POST('/api/answers/compared', { body: { ask, timetables: [...timetables] }, signal })),
    placeholderData: keepPreviousData,
    ...answerOptions,
  });

/** How a timetable survives each of its sections filling up. */
export const survivalQuery = (ask: Ask, sections: readonly string[]) =>
  queryOptions({
    queryKey: ['survival', keyOf(ask), sections.join(' ')],
    queryFn: ({ signal }) =>
      call(http.POST('/api/answers/survival', { body: { ask, sections: [...sections] }, signal })),
    ...answerOptions,
  });

/** The timetable of an ask that is nearest to some sections. */
export const nearestQuery = (ask: Ask, sections: readonly string[]) =>
  queryOptions({
    queryKey: ['nearest', keyOf(ask), sections.join(' ')],
    queryFn: ({ signal }) =>
      call(http.POST('/api/answers/nearest', { body: { ask, sections: [...sections] }, signal })),
    ...answerOptions,
  });

/** Where a timetable stands among the week shapes that are listed. */
export const placeQuery = (ask: Ask, sections: readonly string[]) =>
  queryOptions({
    queryKey: ['place', keyOf(ask), sections.join(' ')],
    queryFn: ({ signal }) =>
      call(http.POST('/api/answers/place', { body: { ask, sections: [...sections] }, signal })),
    ...answerOptions,
  });

/** Characters of the largest calendar that is sent; more could not be read. */
const largestCalendar = 600_000;

/** The hours that a calendar of the student's takes in a term. */
export const calendarHoursQuery = (term: string, file: File | null) =>
  queryOptions({
    queryKey: ['calendar-hours', term, file?.name, file?.size, file?.lastModified],
    queryFn: async ({ signal }) => {
      if (!file) throw new Error('No calendar was chosen.');
      if (file.size > largestCalendar) throw new Error('The file is too large: 600 kB are read at most.');
      const calendar = await file.text();
      return call(
        http.POST('/api/terms/{term}/calendar-hours', { params: { path: { term } }, body: { calendar }, signal }),
      );
    },
    retry: false,
    gcTime: 0,
  });
