import type { Ranked } from '@/api/client';
import { countOf, sayCount } from '@/lib/count';
import { minuteOf, sayHours, sayLength } from '@/lib/time';
import { type MeasureSaid, measureList, sayTenths, type Weights } from './measures';

const factsOnCard = 4;

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

/** The facts a card has room for: those that matter most to the student, in their order. */
export function cardFacts({ measures }: Ranked, weights: Weights): string[] {
  const byText = new Map<string, { text: string; weight: number; i: number }>();
  // Hours are one fact for two measures: what matters more of them counts.
  Object.values<MeasureSaid>(measureList).forEach(({ card, weight }, i) => {
    const text = card?.(measures);
    if (text == null || weight === undefined) return;
    const before = byText.get(text);
    byText.set(text, {
      text,
      weight: Math.max(before?.weight ?? 0, weights[weight.name]),
      i: before?.i ?? i,
    });
  });
  // The order among equals is the one they stand in, so that cards read alike.
  return [...byText.values()]
    .sort((a, b) => b.weight - a.weight || a.i - b.i)
    .slice(0, factsOnCard)
    .sort((a, b) => a.i - b.i)
    .map((fact) => fact.text);
}
