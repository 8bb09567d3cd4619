import type { Ask, Measures } from '@/api/client';
import { sayCount } from '@/wording/counts';
import { minuteOf } from '@/lib/time';
import { sayHours, sayLength, sayTime } from '@/wording/times';
import { wording } from '@/wording/domain/measures';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';

export type Weights = Ask['weights'];

export type MeasureSaid = {
  /** Its name where weeks are set side by side. */
  name: string;
  say: (figure: number) => string;
  /** Its weight, and what a fader that turns it up gives. */
  weight?: { name: keyof Weights; gives: string };
  /** What a card says of it; null where there is nothing to say. Those that matter most are said. */
  card?: (measures: Measures) => string | null;
};

const count = (figure: number) => sayCount(figure);

/** Tenths as 2 or 1.5. */
export const sayTenths = (tenths: number) => String(tenths / 10);

/** First to last, on one card for both. */
const hours = ({ earliestStart, latestEnd }: Measures) =>
  earliestStart && latestEnd ? sayHours(minuteOf(earliestStart), minuteOf(latestEnd)) : common.noSetHours;

/** All measures, in the order in which they stand wherever they are listed. */
export const measureList = {
  classDays: {
    name: wording.daysWithClass,
    say: count,
    weight: { name: 'classDays', gives: wording.fewerDays },
    card: ({ classDays }) => counted.days(classDays),
  },
  idleMinutes: {
    name: wording.betweenClassesWeek,
    say: sayLength,
    weight: { name: 'idle', gives: wording.lessIdleTime },
    card: ({ idleMinutes }) => wording.idleLength(sayLength(idleMinutes)),
  },
  earliestStart: {
    name: wording.firstClassStarts,
    say: sayTime,
    weight: { name: 'laterStart', gives: wording.laterStart },
    card: hours,
  },
  latestEnd: {
    name: wording.lastClassEnds,
    say: sayTime,
    weight: { name: 'earlierFinish', gives: wording.earlierFinish },
    card: hours,
  },
  longestDay: { name: wording.longestDay, say: sayLength },
  longestStretch: {
    name: wording.longestWithoutPause,
    say: sayLength,
    weight: { name: 'stretch', gives: wording.shorterStretches },
    card: ({ longestStretch }) => wording.lengthUnbroken(sayLength(longestStretch)),
  },
  campusMovesTenths: {
    name: wording.campusMovesWeek,
    say: sayTenths,
    weight: { name: 'moves', gives: wording.fewerMoves },
    card: ({ campusMovesTenths }) => wording.moves(sayTenths(campusMovesTenths), campusMovesTenths === 10),
  },
  softMinutes: {
    name: wording.inRatherNotHoursWeek,
    say: sayLength,
    weight: { name: 'soft', gives: wording.ratherNotHours },
    card: ({ softMinutes }) => (softMinutes > 0 ? wording.ratherNot(sayLength(softMinutes)) : null),
  },
  breaksMissed: {
    name: wording.breaksMissedWeek,
    say: count,
    weight: { name: 'breaksMissed', gives: wording.wishedBreaks },
    card: ({ breaksMissed }) =>
      breaksMissed > 0 ? wording.breaksMissed(counted.breaks(breaksMissed)) : null,
  },
  seatsToSpare: {
    name: wording.fewestSeatsLeft,
    say: count,
    weight: { name: 'seats', gives: wording.seatsToSpare },
    card: ({ seatsToSpare }) => wording.seatsSpare(counted.seats(seatsToSpare)),
  },
  awayMinutes: {
    name: wording.awayFromCampusWeek,
    say: sayLength,
    weight: { name: 'away', gives: wording.preferredCampus },
    card: ({ awayMinutes }) => wording.lengthAway(sayLength(awayMinutes)),
  },
  onTheWayMinutes: {
    name: wording.onWayWeek,
    say: sayLength,
    weight: { name: 'onTheWay', gives: wording.lessOnWay },
    card: ({ onTheWayMinutes }) => wording.onWay(sayLength(onTheWayMinutes)),
  },
  wantedTaken: {
    name: wording.coursesTaken,
    say: count,
    weight: { name: 'wanted', gives: wording.moreCourses },
  },
} satisfies Record<keyof Measures, MeasureSaid>;

/** What is said of a measure; null for one that this client does not know. */
export function measureOf(name: string): MeasureSaid | null {
  return (measureList as Record<string, MeasureSaid>)[name] ?? null;
}

/** Those with a weight. */
export const weighed: { weight: keyof Weights; label: string }[] = Object.values<MeasureSaid>(measureList)
  .filter((one) => one.weight !== undefined)
  .map((one) => ({ weight: one.weight!.name, label: one.weight!.gives }));

/** Weights with which nothing counts, but for what is changed. */
export function weightsOf(change: Partial<Weights> = {}): Weights {
  return { ...(Object.fromEntries(weighed.map(({ weight }) => [weight, 0])) as Weights), ...change };
}
