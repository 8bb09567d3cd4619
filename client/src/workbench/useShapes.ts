import { useInfiniteQuery, useQueries } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import type { Ask, Ranked } from '@/api/client';
import { keyOf, pageSize, shapesQuery } from '@/api/answerQueries';

/** Week shapes by their index, from 0; and what kept some from being fetched. */
type Shapes = { shapes: ReadonlyMap<number, Ranked>; problem: Error | null; retry: () => void };

/** The week shapes at some indexes; while those of a newer ask are on their way, the ones before stand there. */
export function useShapes(ask: Ask, indexes: readonly number[]): Shapes {
  const pages = [...new Set(indexes.map((index) => Math.floor(index / pageSize)))];
  const loaded = useQueries({
    queries: pages.map((page) => shapesQuery(ask, page)),
    combine: (results) => ({
      pages: results.map((result) => result.data),
      problem: results.find((result) => result.isError)?.error ?? null,
      retry: () => results.filter((result) => result.isError).forEach((result) => void result.refetch()),
    }),
  });
  const shapes = useMemo(
    () =>
      new Map(
        loaded.pages.flatMap((page) => page?.timetables.map((one) => [one.rank - 1, one] as const) ?? []),
      ),
    [loaded],
  );
  const [before, setBefore] = useState(shapes);
  if (shapes.size > 0 && shapes !== before) setBefore(shapes);
  return { shapes: shapes.size > 0 ? shapes : before, problem: loaded.problem, retry: loaded.retry };
}

/** All listed week shapes, fetched one page after the other for as long as they are wanted. */
export function useAllShapes(ask: Ask, listed: number, enabled: boolean) {
  const query = useInfiniteQuery({
    queryKey: ['all-week-shapes', keyOf(ask), listed],
    queryFn: async ({ client, pageParam }) => (await client.query(shapesQuery(ask, pageParam))).timetables,
    initialPageParam: 0,
    getNextPageParam: (_, pages) => (pages.length * pageSize < listed ? pages.length : undefined),
    enabled,
    staleTime: Infinity,
    gcTime: 60_000,
  });
  const { hasNextPage, isFetching, isError, fetchNextPage } = query;
  useEffect(() => {
    if (enabled && hasNextPage && !isFetching && !isError) void fetchNextPage();
  }, [enabled, hasNextPage, isFetching, isError, fetchNextPage]);
  const all = useMemo(() => query.data?.pages.flat() ?? [], [query.data]);
  return {
    all,
    isWhole: query.data !== undefined && !hasNextPage,
    problem: query.error,
    retry: () => void (query.data ? fetchNextPage() : query.refetch()),
  };
}
