import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { keyOf } from './answerQueries';
import { type Ask, call, http } from './client';
import { wording } from '@/wording/api/queries';

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

/** What a newer catalogue makes out of date: all but who the student is and the sketches themselves. */
export function isOfCatalogue(queryKey: readonly unknown[]): boolean {
  return ![
    'visit',
    'me',
    'record',
    'permissions',
    'terms',
    'sketch',
    'sketches',
    'picks',
    'plan',
    'calendar-address',
    'deleted-sketch',
  ].includes(String(queryKey[0]));
}

/** Lists of courses, in which some are shown with or without a seat. */
const lists = ['search', 'suggestions', 'numbers', 'offers-for'];

/** Whether what was asked so tells how many seats are left: timetables side by side, and what if a section fills. */
export function tellsSeats(queryKey: readonly unknown[]): boolean {
  return ['compared', 'survival', 'readiness'].includes(String(queryKey[0]));
}

/** Whether what was asked so may be other when the seats of some courses of a term are. */
export function restsOn(queryKey: readonly unknown[], term: string, courses: readonly string[]): boolean {
  if (courses.length === 0) return false;
  if (lists.includes(String(queryKey[0]))) return queryKey[1] === term;
  // What is checked is of the term that stands beside it.
  if (queryKey[0] === 'readiness')
    return (
      queryKey[1] === term && courses.some((course) => String(queryKey[2]).includes(JSON.stringify(course)))
    );
  const texts = queryKey.filter((part) => typeof part === 'string');
  // An ask stands in its key as it is sent, and courses beside it as a list.
  return (
    texts.some((text) => text.includes(`"term":"${term}"`)) &&
    courses.some((course) =>
      texts.some((text) => text.includes(JSON.stringify(course)) || ` ${text} `.includes(` ${course} `)),
    )
  );
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
    staleTime: Infinity,
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
    queryFn: ({ signal }) => call(http.POST('/api/answers/standing', { body: { ask, course }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 60_000,
  });

export const numbersQuery = (term: string, text: string) =>
  queryOptions({
    queryKey: ['numbers', term, text],
    queryFn: ({ signal }) =>
      call(http.POST('/api/terms/{term}/numbers', { params: { path: { term } }, body: { text }, signal })),
    enabled: text.trim() !== '',
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });

/** Characters of the largest calendar that is sent; more could not be read. */
const largestCalendar = 600_000;

/** The hours that a calendar of the student's takes in a term. */
export const calendarHoursQuery = (term: string, file: File | null) =>
  queryOptions({
    queryKey: ['calendar-hours', term, file?.name, file?.size, file?.lastModified],
    queryFn: async ({ signal }) => {
      if (!file) throw new Error(wording.noCalendarChosen);
      if (file.size > largestCalendar) throw new Error(wording.fileTooLarge600KB);
      const calendar = await file.text();
      return call(
        http.POST('/api/terms/{term}/calendar-hours', {
          params: { path: { term } },
          body: { calendar },
          signal,
        }),
      );
    },
    retry: false,
    gcTime: 0,
  });
