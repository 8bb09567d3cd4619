import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answerOptions, keyOf } from './answerQueries';
import { type Ask, call, http, type PutBy } from './client';

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
export const rankQuery = (ask: Ask, sections: readonly string[]) =>
  queryOptions({
    queryKey: ['place', keyOf(ask), sections.join(' ')],
    queryFn: ({ signal }) =>
      call(http.POST('/api/answers/place', { body: { ask, sections: [...sections] }, signal })),
    ...answerOptions,
  });
