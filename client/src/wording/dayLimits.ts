import type { Ask } from '@/api/client';
import { type Day, daysOf } from '@/lib/days';
import { sayDays } from './days';
import { minuteOf } from '@/lib/time';
import { sayLength, sayTime } from './times';
import { common } from './common';
import { counted } from './counted';

export type DayLimits = Ask['dayLimits'];
export type DayLimit = keyof DayLimits;

type Described<Value> = {
  /** What it is called where it can be added. */
  label: string;
  /** What it is while it is not set. */
  none: Value;
  /** What it says at first. */
  start: NonNullable<Value>;
  say(value: NonNullable<Value>): string;
} & (NonNullable<Value> extends number
  ? { input: { label: string; unit: string; most: number; step: number } }
  : unknown);

const described: { [Limit in DayLimit]: Described<DayLimits[Limit]> } = {
  earliestStart: {
    label: 'Earliest start',
    none: null,
    start: '09:00',
    say: (time) => `No class before ${sayTime(minuteOf(time))}`,
  },
  latestEnd: {
    label: 'Latest end',
    none: null,
    start: '18:00',
    say: (time) => `No class after ${sayTime(minuteOf(time))}`,
  },
  daysOff: {
    label: common.daysOff,
    none: [],
    start: ['fri'] satisfies Day[],
    say: (days) => `Off: ${sayDays(daysOf(days))}`,
  },
  maxDays: {
    label: 'Most class days',
    none: null,
    start: 4,
    say: (days) => `At most ${counted.classDays(days)} a week`,
    input: { label: common.atMost, unit: 'class days a week', most: 7, step: 1 },
  },
  maxMinutesPerDay: {
    label: 'Most class a day',
    none: null,
    start: 360,
    say: (minutes) => `At most ${sayLength(minutes)} of class a day`,
    input: { label: common.atMost, unit: 'minutes of class a day', most: 1440, step: 15 },
  },
  maxStretchMinutes: {
    label: 'Longest unbroken stretch',
    none: null,
    start: 240,
    say: (minutes) => `At most ${sayLength(minutes)} without a pause`,
    input: { label: common.atMost, unit: 'minutes without a pause', most: 1440, step: 15 },
  },
  minutesBetween: {
    label: 'Minutes between classes',
    none: 0,
    start: 10,
    say: (minutes) => `${minutes} min between classes`,
    input: { label: common.atLeast, unit: 'minutes between classes', most: 240, step: 5 },
  },
  restMinutes: {
    label: 'Rest between days',
    none: null,
    start: 720,
    say: (minutes) => `${sayLength(minutes)} of rest between days`,
    input: { label: common.atLeast, unit: 'minutes from one day to the next', most: 1440, step: 15 },
  },
};

/** All of them, in the order in which they stand. */
export const dayLimits = Object.keys(described) as DayLimit[];

export const noLimits = Object.fromEntries(
  dayLimits.map((limit) => [limit, described[limit].none]),
) as DayLimits;

export const labelOf = (limit: DayLimit) => described[limit].label;

/** A change that sets a limit to what it says at first. */
export const startOf = (limit: DayLimit): Partial<DayLimits> => ({ [limit]: described[limit].start });

export function sayLimit(limits: DayLimits, limit: DayLimit): string {
  const one = described[limit] as { none: unknown; say(value: unknown): string };
  return one.say(limits[limit] ?? one.none);
}

/** The number that a limit is, and how it is typed; null for one that is none. */
export function numberOf(limits: DayLimits, limit: DayLimit) {
  const one = described[limit];
  const value = limits[limit];
  return 'input' in one ? { ...one.input, value: typeof value === 'number' ? value : 0 } : null;
}

export const isDayLimit = (kind: string): kind is DayLimit => kind in described;
