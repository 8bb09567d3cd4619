import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Picks, PicksState } from '@/api/client';
import { picksQuery } from '@/api/queries';
import { useSaving } from '@/saving/SavingContext';
import { useSavedWhole } from './useSavedWhole';

/** The line-up and the choice of a term. */
export function usePicks(term: string, enabled = true) {
  const query = useQuery({ ...picksQuery(term), enabled });
  const whole = useSavedWhole(useSaving().picks(term), query, picksOf, nothingPicked);
  return useMemo(() => ({ ...whole, picks: whole.content }), [whole]);
}

export type PicksEdits = ReturnType<typeof usePicks>;

const picksOf = ({ picks }: PicksState): Picks => picks;
const nothingPicked: Picks = { lineUp: [], baseline: null, choice: null };
