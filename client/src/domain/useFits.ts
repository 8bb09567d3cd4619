import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Ask, Fit } from '@/api/client';
import { fitsQuery } from '@/api/queries';

/** Fits are asked for in runs of this many courses: one run is about what the eye sees at once. */
const runLength = 12;

/** In how many timetables of an ask each of some courses fits, as it comes. */
export function useFits(ask: Ask, courses: readonly string[]): ReadonlyMap<string, Fit> {
  const runs = Array.from({ length: Math.ceil(courses.length / runLength) }, (_, i) =>
    courses.slice(i * runLength, (i + 1) * runLength),
  );
  const fits = useQueries({
    queries: runs.map((run) => fitsQuery(ask, run)),
    combine: (results) => results.flatMap((result) => result.data ?? []),
  });
  return useMemo(() => new Map(fits.map((fit) => [fit.course, fit])), [fits]);
}
