import { useState } from 'react';
import { recall, remember } from '@/lib/browserStore';

/** The credits that full-time study asks for, an award, and the most one may take. */
export type CreditGoals = { fullTime: number; award: number; maximum: number };

const usualGoals: CreditGoals = { fullTime: 12, award: 15, maximum: 18 };

const name = 'credit-goals';

function isGoals(value: unknown): value is CreditGoals {
  return (
    typeof value === 'object' &&
    value !== null &&
    (['fullTime', 'award', 'maximum'] as const).every(
      (goal) => goal in value && typeof (value as Record<string, unknown>)[goal] === 'number',
    )
  );
}

/** The student's own, which hold for every sketch. */
export function useCreditGoals(): [CreditGoals, (goals: CreditGoals) => void] {
  const [goals, setGoals] = useState(() => recall(name, isGoals) ?? usualGoals);
  return [
    goals,
    (next) => {
      remember(name, next);
      setGoals(next);
    },
  ];
}
