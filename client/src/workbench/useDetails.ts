import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Ask } from '@/api/client';
import { costsQuery, countKeyOf, standingsQuery } from '@/api/answerQueries';

export type Details = {
  /** By the path of a rule, what lifting it adds; null until it is known. */
  costs: Readonly<Record<string, string>> | null;
  /** By the path of a rule, what lifting it adds at least, where time did not suffice for more; else null. */
  leastCosts: Readonly<Record<string, string>> | null;
  /** By registration number, in how many timetables the section stands; null until it is known. */
  standings: Readonly<Record<string, string>> | null;
  /** How many timetables the standings are out of. */
  timetables: string;
  /** Whether newer ones are on their way. */
  isBehind: boolean;
  /** Whether there are too many timetables to find them out in time. */
  areTooMany: boolean;
};

/** What comes after the count: costs of rules and standings of sections, asked for once the count is there. */
export function useDetails(ask: Ask, isAnswered: boolean): Details {
  const costs = useQuery({ ...costsQuery(ask), enabled: isAnswered });
  const standings = useQuery({ ...standingsQuery(ask), enabled: isAnswered });
  // Costs are named by paths: those of an ask with other paths would stand beside the wrong rules.
  const isCurrent = costs.data !== undefined && costs.data.key === countKeyOf(ask);
  // The least that a figure may be says nothing here: a section in none is one in none, and a cost is a difference.
  const isCosted =
    costs.data !== undefined && (isCurrent || samePaths(costs.data.key, ask)) && costs.data.isExact;
  const known = isCosted ? costs.data.costs : null;
  const leastCosts = isCurrent && !costs.data.isExact && costs.data.areBounds ? costs.data.costs : null;
  const standing = standings.data?.isExact ? standings.data.sections : null;
  const areTooMany =
    (costs.data?.isExact === false && !costs.data.areBounds) || standings.data?.isExact === false;
  const isBehind = !isAnswered || !isCurrent || standings.isPlaceholderData || standings.isPending;
  return useMemo(
    () => ({
      costs: known,
      leastCosts,
      standings: standing,
      timetables: standings.data?.timetables ?? '0',
      isBehind,
      areTooMany,
    }),
    [known, leastCosts, standing, standings.data, isBehind, areTooMany],
  );
}

/** Whether what is asked differs in values alone, not in which courses and rules there are. */
function samePaths(key: string, ask: Ask): boolean {
  const before = JSON.parse(key) as Ask;
  return (
    before.timeBlocks.length === ask.timeBlocks.length &&
    before.breaks.length === ask.breaks.length &&
    before.wanted.map((one) => one.course).join() === ask.wanted.map((one) => one.course).join()
  );
}
