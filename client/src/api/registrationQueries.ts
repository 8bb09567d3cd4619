import { keepPreviousData, type QueryClient, queryOptions } from '@tanstack/react-query';
import { call, http, type Line, type Picks, type Press } from './client';

/** How old what the registrar said may be before it is asked again, in milliseconds. */
const freshMs = 60_000;

/** All that stands about the registration of who is signed in. */
export const registrationQuery = (term: string) =>
  queryOptions({
    queryKey: ['registration', term],
    queryFn: async ({ signal }) => {
      const asked = Date.now();
      const registration = await call(
        http.GET('/api/terms/{term}/registration', { params: { path: { term } }, signal }),
      );
      // The answer was made somewhere between asking and now.
      const here = (asked + Date.now()) / 2;
      return { ...registration, aheadMs: Date.parse(registration.standing.nowUtc) - here };
    },
    staleTime: freshMs,
    retry: false,
  });

/** What who is signed in sent in a term; known also while the registrar says nothing. */
export const pressesQuery = (term: string) =>
  queryOptions({
    queryKey: ['registration', term, 'presses'],
    queryFn: ({ signal }) =>
      call(http.GET('/api/terms/{term}/registration/presses', { params: { path: { term } }, signal })),
    retry: false,
  });

/** The lines that register the choice, and what the registrar would say to each. */
export const readinessQuery = (term: string, picks: Picks, order: readonly string[]) =>
  queryOptions({
    queryKey: ['readiness', term, JSON.stringify(picks.choice), order.join(' ')],
    queryFn: ({ signal }) =>
      call(
        http.POST('/api/terms/{term}/registration/readiness', {
          params: { path: { term } },
          // The document of the API does not tell that parts of it may be null.
          body: { picks, order: [...order] } as never,
          signal,
        }),
      ),
    staleTime: freshMs,
    placeholderData: keepPreviousData,
    retry: false,
  });

/** What would become of lines if they were sent now. */
export const checkQuery = (term: string, lines: readonly Line[]) =>
  queryOptions({
    queryKey: ['readiness', term, 'lines', JSON.stringify(lines)],
    queryFn: ({ signal }) =>
      call(
        http.POST('/api/terms/{term}/registration/checks', {
          params: { path: { term } },
          body: { lines: [...lines] },
          signal,
        }),
      ),
    retry: false,
  });

/** How to come from what is held to a timetable. */
export const changeQuery = (term: string, sections: readonly string[]) =>
  queryOptions({
    queryKey: ['change-to', term, sections.join(' ')],
    queryFn: ({ signal }) =>
      call(
        http.POST('/api/terms/{term}/registration/changes', {
          params: { path: { term } },
          body: { sections: [...sections] },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: freshMs,
    retry: false,
  });

/** Shows a press that the server has written down, without asking for all the rest. */
export function addPress(client: QueryClient, term: string, press: Press): void {
  const { queryKey } = registrationQuery(term);
  // What is being asked for may be of before or after it.
  if (client.isFetching({ queryKey }) > 0) {
    void client.invalidateQueries({ queryKey });
    return;
  }
  client.setQueryData(queryKey, (known) =>
    known && !known.presses.some((one) => one.key === press.key)
      ? { ...known, presses: [...known.presses, press] }
      : known,
  );
}

/** Has lines sent to the registrar. The same key again is the same press. */
export const sendPress = (term: string, key: string, lines: readonly Line[]) =>
  call(
    http.POST('/api/terms/{term}/registration/presses', {
      params: { path: { term } },
      body: { key, lines: [...lines] },
    }),
  );

export const addSeatNotice = (term: string, sections: readonly string[]) =>
  call(
    http.POST('/api/terms/{term}/registration/seat-notices', {
      params: { path: { term } },
      body: { sections: [...sections] },
    }),
  );

export const removeSeatNotice = (term: string, id: number) =>
  call(
    http.DELETE('/api/terms/{term}/registration/seat-notices/{id}', {
      params: { path: { term, id } },
    }),
  );

export const noticesSeen = (term: string, notices: readonly number[]) =>
  call(
    http.POST('/api/terms/{term}/registration/notices/seen', {
      params: { path: { term } },
      body: { notices: [...notices] },
    }),
  );
