import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Plan, PlanState } from '@/api/client';
import { planQuery } from '@/api/requirementQueries';
import { useSaving } from '@/saving/SavingContext';
import { useSavedWhole } from './useSavedWhole';

/** What stands in terms ahead. */
export function usePlan() {
  const whole = useSavedWhole(useSaving().plan(), useQuery(planQuery), planOf, nothingPlanned);
  return useMemo(() => ({ ...whole, plan: whole.content }), [whole]);
}

export type PlanEdits = ReturnType<typeof usePlan>;

const planOf = ({ plan }: PlanState): Plan => plan;
const nothingPlanned: Plan = { entries: [] };
