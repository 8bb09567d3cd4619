import type { Ask, Measures } from '@/api/client';
import { sayCount } from './counts';
import { minuteOf } from '@/lib/time';
import { sayHours, sayLength, sayTime } from './times';
import { common } from './common';
import { counted } from './counted';

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
    name: 'Days with class',
    say: count,
    weight: { name: 'classDays', gives: 'Fewer days' },
    card: ({ classDays }) => counted.days(classDays),
  },
  idleMinutes: {
    name: 'Between classes a week',
    say: sayLength,
    weight: { name: 'idle', gives: 'Less idle time' },
    card: ({ idleMinutes }) => `idle ${sayLength(idleMinutes)}`,
  },
  earliestStart: {
    name: 'First class starts',
    say: sayTime,
    weight: { name: 'laterStart', gives: 'Later start' },
    card: hours,
  },
  latestEnd: {
    name: 'Last class ends',
    say: sayTime,
    weight: { name: 'earlierFinish', gives: 'Earlier finish' },
    card: hours,
  },
  longestDay: { name: 'Longest day', say: sayLength },
  longestStretch: {
    name: 'Longest without a pause',
    say: sayLength,
    weight: { name: 'stretch', gives: 'Shorter stretches' },
    card: ({ longestStretch }) => `${sayLength(longestStretch)} unbroken`,
  },
  campusMovesTenths: {
    name: 'Campus moves a week',
    say: sayTenths,
    weight: { name: 'moves', gives: 'Fewer moves' },
    card: ({ campusMovesTenths }) =>
      `${sayTenths(campusMovesTenths)} ${campusMovesTenths === 10 ? 'move' : 'moves'}`,
  },
  softMinutes: {
    name: 'In rather-not hours a week',
    say: sayLength,
    weight: { name: 'soft', gives: 'Rather-not hours' },
    card: ({ softMinutes }) => (softMinutes > 0 ? `${sayLength(softMinutes)} rather not` : null),
  },
  breaksMissed: {
    name: 'Breaks missed a week',
    say: count,
    weight: { name: 'breaksMissed', gives: 'Wished breaks' },
    card: ({ breaksMissed }) => (breaksMissed > 0 ? `${counted.breaks(breaksMissed)} missed` : null),
  },
  seatsToSpare: {
    name: 'Fewest seats left',
    say: count,
    weight: { name: 'seats', gives: 'Seats to spare' },
    card: ({ seatsToSpare }) => `${counted.seats(seatsToSpare)} spare`,
  },
  awayMinutes: {
    name: 'Away from your campus a week',
    say: sayLength,
    weight: { name: 'away', gives: 'Preferred campus' },
    card: ({ awayMinutes }) => `${sayLength(awayMinutes)} away`,
  },
  onTheWayMinutes: {
    name: 'On the way a week',
    say: sayLength,
    weight: { name: 'onTheWay', gives: 'Less on the way' },
    card: ({ onTheWayMinutes }) => `${sayLength(onTheWayMinutes)} on the way`,
  },
  wantedTaken: {
    name: 'Courses taken',
    say: count,
    weight: { name: 'wanted', gives: 'More courses' },
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
