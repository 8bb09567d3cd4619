import { useQuery } from '@tanstack/react-query';
import type { Choice, Picks } from '@/api/client';
import { readinessQuery, registrationQuery } from '@/api/registrationQueries';
import { useRested } from '@/lib/useRested';
import { courseStates } from './courseStates';
import { usePress } from './usePress';

/** While something was sent and its answer is not known, it is asked for this often, news or not, in milliseconds. */
const unansweredMs = 1_000;

/** What the registrar says of a term, for who is signed in. */
export function useStanding(term: string) {
  return useQuery({
    ...registrationQuery(term),
    refetchInterval: ({ state }) =>
      state.data?.presses.some((press) => press.answeredUtc === null)
        ? unansweredMs
        : state.error
          ? 3 * unansweredMs
          : false,
  });
}

type Standing = NonNullable<ReturnType<typeof useStanding>['data']>;

/** How every course of the choice stands with the registrar, what stands against it now, and the press. */
export function useRegistered(
  term: string,
  standing: Standing,
  picks: Picks,
  choice: Choice | null,
  order: readonly string[],
) {
  const pressing = usePress(term, standing);
  const rested = useRested(picks, 150);
  const readiness = useQuery({ ...readinessQuery(term, rested, order), enabled: choice !== null });
  const states = courseStates(
    standing,
    choice,
    choice ? (readiness.data ?? null) : null,
    pressing.isSending ? pressing.unsent : null,
  );
  return {
    standing,
    states,
    readiness: choice ? (readiness.data ?? null) : null,
    problem: readiness.error,
    pressing,
  };
}

export type Registered = ReturnType<typeof useRegistered>;
