import type { Ranked } from '@/api/client';
import { sayCount } from '@/wording/counts';
import { minuteOf } from '@/lib/time';
import { sayHours, sayLength } from '@/wording/times';
import { type MeasureSaid, measureList, sayTenths, type Weights } from '@/wording/measures';
import { wording } from '@/wording/domain/facts';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';

const factsOnCard = 4;

export type Fact = { name: string; value: string };

/** What a timetable is like. */
export function factsOf({ measures, credits }: Pick<Ranked, 'measures' | 'credits'>): Fact[] {
  const { earliestStart, latestEnd } = measures;
  return [
    { name: wording.withClass, value: counted.days(measures.classDays) },
    {
      name: wording.firstToLast,
      value:
        earliestStart && latestEnd
          ? sayHours(minuteOf(earliestStart), minuteOf(latestEnd))
          : common.noSetHours,
    },
    { name: wording.idleWeek, value: sayLength(measures.idleMinutes) },
    { name: wording.campusMovesWeek, value: sayTenths(measures.campusMovesTenths) },
    { name: wording.fewestSeatsLeft, value: sayCount(measures.seatsToSpare) },
    { name: wording.creditsName, value: String(credits) },
  ];
}

/** The same in a line of text. */
export function sayFacts({ measures, credits }: Pick<Ranked, 'measures' | 'credits'>): string {
  const { earliestStart, latestEnd } = measures;
  return [
    wording.daysWithClass(counted.days(measures.classDays)),
    earliestStart && latestEnd ? sayHours(minuteOf(earliestStart), minuteOf(latestEnd)) : common.noSetHours,
    wording.idle(sayLength(measures.idleMinutes)),
    wording.campusMoves(sayTenths(measures.campusMovesTenths)),
    wording.leftInFullestSection(counted.seats(measures.seatsToSpare)),
    wording.credits(credits),
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
