import { queryOptions } from '@tanstack/react-query';
import { call, http } from './client';
import { signedIn } from './signedIn';

/** Who is here; it changes only with a page that is loaded anew. */
export const meQuery = queryOptions({
  queryKey: ['me'],
  queryFn: async ({ signal }) => {
    const me = await call(http.GET('/api/me', { signal }));
    signedIn.set(me.person === null ? 'none' : 'lasts');
    return me;
  },
  staleTime: Infinity,
});

/** How old what the registrar said may be before it is asked again, in milliseconds. */
const freshMs = 60_000;

export const recordQuery = queryOptions({
  queryKey: ['record'],
  queryFn: ({ signal }) => call(http.GET('/api/record', { signal })),
  staleTime: freshMs,
  retry: false,
});

/** Whether the student may take courses, beside others of the same plan. */
export const eligibilityQuery = (term: string, courses: readonly string[], beside: readonly string[]) =>
  queryOptions({
    queryKey: ['eligibility', term, courses, beside],
    queryFn: ({ signal }) =>
      call(
        http.POST('/api/terms/{term}/eligibility', {
          params: { path: { term } },
          body: { courses: [...courses], beside: [...beside] },
          signal,
        }),
      ),
    staleTime: freshMs,
    retry: false,
  });

/** Whether what was asked so may be other when the record of who is signed in changes. */
export function isOfRecord([kind, , search]: readonly unknown[]): boolean {
  return (
    kind === 'record' ||
    kind === 'eligibility' ||
    kind === 'permissions' ||
    kind === 'requirements' ||
    kind === 'registration' ||
    kind === 'readiness' ||
    kind === 'offers-for' ||
    kind === 'end-in-sight' ||
    (kind === 'search' && String(search).includes('eligible='))
  );
}

/** What the student asked instructors and the adviser for in a term, and what came of it. */
export const permissionsQuery = (term: string) =>
  queryOptions({
    queryKey: ['permissions', term],
    queryFn: ({ signal }) =>
      call(http.GET('/api/terms/{term}/permissions', { params: { path: { term } }, signal })),
    staleTime: freshMs,
    retry: false,
  });

export const askPermission = (term: string, course: string, kind: string, words: string) =>
  call(
    http.POST('/api/terms/{term}/permissions', { params: { path: { term } }, body: { course, kind, words } }),
  );

/** Asks the adviser to approve a term. */
export const askApproval = (term: string, words: string) =>
  call(http.POST('/api/terms/{term}/permissions/approval', { params: { path: { term } }, body: { words } }));

export const giveInCode = (term: string, code: string) =>
  call(http.POST('/api/terms/{term}/permissions/code', { params: { path: { term } }, body: { code } }));
