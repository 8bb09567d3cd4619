import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Ask } from '@/api/client';
import { costsQuery, keyOf, standingsQuery } from '@/api/answerQueries';

export type Details = {
  /** By the path of a rule or wish, what lifting it adds; null until it is known. */
  costs: Readonly<Record<string, string>> | null;
  /** By registration number, in how many timetables the section stands; null until it is known. */
  standings: Readonly<Record<string, string>> | null;
  /** How many timetables the standings are out of. */
  timetables: string;
  /** Whether newer ones are on their way. */
  isBehind: boolean;
};

/** What comes after the count: costs of rules and standings of sections, asked for once the count is there. */
export function useDetails(ask: Ask, isAnswered: boolean): Details {
  const costs = useQuery({ ...costsQuery(ask), enabled: isAnswered });
  const standings = useQuery({ ...standingsQuery(ask), enabled: isAnswered });
  // Costs are named by paths: those of an ask with other paths would stand beside the wrong rules.
  const isCurrent = costs.data !== undefined && costs.data.key === keyOf(ask);
  const known = isCurrent || (costs.data && samePaths(costs.data.key, ask)) ? costs.data.costs : null;
  const isBehind = !isAnswered || !isCurrent || standings.isPlaceholderData || standings.isPending;
  return useMemo(
    () => ({
      costs: known,
      standings: standings.data?.sections ?? null,
      timetables: standings.data?.timetables ?? '0',
      isBehind,
    }),
    [known, standings.data, isBehind],
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
