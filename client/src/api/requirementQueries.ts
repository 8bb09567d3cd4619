import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { ApiError, call, http, type Plan } from './client';

/** How soon what the registrar did not give is asked for again, in milliseconds. */
const againMs = 3_000;

const fresh = {
  staleTime: 60_000,
  retry: false,
  // The registrar comes back by itself, and with it what needs it.
  refetchInterval: ({ state }: { state: { error: Error | null } }) =>
    state.error instanceof ApiError && state.error.mayPass ? againMs : false,
} as const;

// The types of a body forget that an object in it may be null.
const sent = (plan: Plan) => plan as never;

export const planKey = ['plan'] as const;

/** What stands in terms ahead. */
export const planQuery = queryOptions({
  queryKey: planKey,
  queryFn: ({ signal }) => call(http.GET('/api/plan', { signal })),
  staleTime: Infinity,
});

/** What one of the student's programmes still needs, with a plan; null for the first programme. */
export const requirementsQuery = (term: string, programme: string | null, plan: Plan) =>
  queryOptions({
    queryKey: ['requirements', term, programme, JSON.stringify(plan)],
    queryFn: ({ signal }) =>
      call(
        http.POST('/api/terms/{term}/requirements', {
          params: { path: { term } },
          body: { programme, plan: sent(plan) },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    ...fresh,
  });

/** What a term offers for one requirement. */
export const offersForQuery = (term: string, programme: string, requirement: string, plan: Plan) =>
  queryOptions({
    queryKey: ['offers-for', term, programme, requirement, JSON.stringify(plan)],
    queryFn: async ({ signal }) => {
      const body = { programme, requirement, plan: sent(plan) };
      const answer = await call(
        http.POST('/api/terms/{term}/requirements/offers', { params: { path: { term } }, body, signal }),
      );
      return { requirement, courses: answer.courses };
    },
    placeholderData: keepPreviousData,
    ...fresh,
  });

/** When a programme can be done, and what waiting costs. */
export const endInSightQuery = (term: string, programme: string) =>
  queryOptions({
    queryKey: ['end-in-sight', term, programme],
    queryFn: ({ signal }) =>
      call(
        http.POST('/api/terms/{term}/requirements/end', {
          params: { path: { term } },
          body: { programme },
          signal,
        }),
      ),
    ...fresh,
  });

/** Reads the file of a plan; what is wrong with it is said. */
export const readPlan = (file: unknown) => call(http.POST('/api/plan/file', { body: file as never }));
