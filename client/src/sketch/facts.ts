import type { Ask, Ranked } from '@/api/client';
import { countOf, sayCount } from '@/lib/count';
import { minuteOf, sayHours, sayLength } from '@/lib/time';

export type Fact = { name: string; value: string };

/** What a timetable is like. */
export function factsOf({ measures, credits }: Pick<Ranked, 'measures' | 'credits'>): Fact[] {
  const { earliestStart, latestEnd } = measures;
  return [
    { name: 'with class', value: countOf(measures.classDays, 'day') },
    {
      name: 'first to last',
      value:
        earliestStart && latestEnd ? sayHours(minuteOf(earliestStart), minuteOf(latestEnd)) : 'no set hours',
    },
    { name: 'idle a week', value: sayLength(measures.idleMinutes) },
    { name: 'campus moves a week', value: sayTenths(measures.campusMovesTenths) },
    { name: 'fewest seats left', value: sayCount(measures.seatsToSpare) },
    { name: 'credits', value: String(credits) },
  ];
}

/** The same in a line of text. */
export function sayFacts({ measures, credits }: Pick<Ranked, 'measures' | 'credits'>): string {
  const { earliestStart, latestEnd } = measures;
  return [
    `${countOf(measures.classDays, 'day')} with class`,
    earliestStart && latestEnd ? sayHours(minuteOf(earliestStart), minuteOf(latestEnd)) : 'no set hours',
    `${sayLength(measures.idleMinutes)} idle a week`,
    `${sayTenths(measures.campusMovesTenths)} campus moves a week`,
    `${countOf(measures.seatsToSpare, 'seat')} left in the fullest section`,
    `${credits} credits`,
  ].join(' · ');
}

type Weights = Ask['weights'];

/** The facts a card has room for: those that matter most to the student, in their order. */
export function cardFacts({ measures }: Ranked, weights: Weights): string[] {
  const { earliestStart, latestEnd } = measures;
  const hours =
    earliestStart && latestEnd ? sayHours(minuteOf(earliestStart), minuteOf(latestEnd)) : 'no set hours';
  const byWeight: { weight: number; text: string }[] = [
    { weight: weights.classDays, text: countOf(measures.classDays, 'day') },
    { weight: weights.idle, text: `idle ${sayLength(measures.idleMinutes)}` },
    { weight: Math.max(weights.laterStart, weights.earlierFinish), text: hours },
    { weight: weights.stretch, text: `${sayLength(measures.longestStretch)} unbroken` },
    {
      weight: weights.moves,
      text: `${sayTenths(measures.campusMovesTenths)} ${measures.campusMovesTenths === 10 ? 'move' : 'moves'}`,
    },
    { weight: weights.seats, text: `${countOf(measures.seatsToSpare, 'seat')} spare` },
    { weight: weights.away, text: `${sayLength(measures.awayMinutes)} away` },
    {
      weight: measures.softMinutes > 0 ? weights.soft : -1,
      text: `${sayLength(measures.softMinutes)} rather not`,
    },
    {
      weight: measures.breaksMissed > 0 ? weights.breaksMissed : -1,
      text: `${countOf(measures.breaksMissed, 'break')} missed`,
    },
  ];
  // The order among equals is the one they stand in, so that cards read alike.
  const shown = byWeight
    .map((fact, i) => ({ ...fact, i }))
    .sort((a, b) => b.weight - a.weight || a.i - b.i)
    .slice(0, 4)
    .sort((a, b) => a.i - b.i);
  return shown.map((fact) => fact.text);
}

/** Tenths as 2 or 1.5. */
export function sayTenths(tenths: number): string {
  return String(tenths / 10);
}
