import { useInfiniteQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import type { Ask, Fit, Found, Loosening, SearchAnswer } from '@/api/client';
import { searchQuery } from '@/api/queries';
import { useFits } from '@/domain/useFits';
import type { SearchState } from './useSearchState';

/** Ordering by fit needs the fit of every course found; more than this would hold up everything else. */
export const mostByFit = 200;

export type FoundCourses = {
  /** The courses shown, in order; only the pages loaded so far. */
  courses: readonly Found[];
  fits: ReadonlyMap<string, Fit>;
  /** Courses shown on all pages, before those that do not fit are left out; null until known. */
  total: number | null;
  matches: number;
  loosenings: readonly Loosening[];
  offers: SearchAnswer['offers'];
  /** Courses left out because they do not fit; null while some fits are not known. */
  unfit: number | null;
  /** Too many to order or to choose by fit. */
  tooManyForFit: boolean;
  isSearching: boolean;
  problem: Error | null;
  retry: () => void;
  hasMore: boolean;
  loadMore: () => void;
};

/** What a search finds, page by page, with the fit of each course as it comes. */
export function useFound(term: string, ask: Ask, state: SearchState): FoundCourses {
  const pages = useInfiniteQuery(searchQuery(term, state.search));
  const first = pages.data?.pages[0];
  const loaded = useMemo(() => pages.data?.pages.flatMap((page) => page.courses) ?? [], [pages.data]);
  const byFit = state.order === 'fit' || state.fitting;
  const tooManyForFit = byFit && (first?.total ?? 0) > mostByFit;
  const usesFit = byFit && !tooManyForFit;

  const { fetchNextPage, hasNextPage, isFetchingNextPage } = pages;
  useEffect(() => {
    if (usesFit && hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [usesFit, hasNextPage, isFetchingNextPage, fetchNextPage]);

  const fitOf = useFits(
    ask,
    loaded.map((course) => course.id),
  );

  const courses = useMemo(() => {
    if (!usesFit) return loaded;
    const shown = state.fitting ? loaded.filter((course) => mayFit(fitOf.get(course.id))) : loaded;
    return state.order === 'fit'
      ? shown.toSorted((a, b) => compareFits(fitOf.get(a.id), fitOf.get(b.id)))
      : shown;
  }, [usesFit, loaded, fitOf, state.fitting, state.order]);

  const known = loaded.every((course) => fitOf.has(course.id)) && !hasNextPage;
  return {
    courses,
    fits: fitOf,
    total: first?.total ?? null,
    matches: first?.matches ?? 0,
    loosenings: first?.loosenings ?? [],
    offers: first?.offers ?? [],
    unfit: usesFit && state.fitting && known ? loaded.length - courses.length : null,
    tooManyForFit,
    isSearching: pages.isPlaceholderData || pages.isPending,
    problem: pages.error,
    retry: () => void pages.refetch(),
    hasMore: hasNextPage,
    loadMore: () => {
      if (hasNextPage && !isFetchingNextPage) void fetchNextPage();
    },
  };
}

/** A course whose fit is not known yet stays in view. */
function mayFit(fit: Fit | undefined): boolean {
  return fit === undefined || fit.timetables !== '0' || !fit.isExact;
}

/** The most timetables first; what is not known yet last, in the order of the list. */
function compareFits(a: Fit | undefined, b: Fit | undefined): number {
  if (!a || !b) return a ? -1 : b ? 1 : 0;
  const [one, other] = [BigInt(a.timetables), BigInt(b.timetables)];
  return one === other ? 0 : one > other ? -1 : 1;
}
