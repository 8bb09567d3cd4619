import type { Ask } from '@/api/client';
import { type Day, daysOf } from '@/lib/days';
import { sayDays } from '@/wording/days';
import { minuteOf } from '@/lib/time';
import { sayLength, sayTime } from '@/wording/times';
import { wording } from '@/wording/domain/dayLimits';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';

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
    label: wording.earliestStart,
    none: null,
    start: '09:00',
    say: (time) => wording.noClassBefore(sayTime(minuteOf(time))),
  },
  latestEnd: {
    label: wording.latestEnd,
    none: null,
    start: '18:00',
    say: (time) => wording.noClassAfter(sayTime(minuteOf(time))),
  },
  daysOff: {
    label: common.daysOff,
    none: [],
    start: ['fri'] satisfies Day[],
    say: (days) => wording.offDays(sayDays(daysOf(days))),
  },
  maxDays: {
    label: wording.mostClassDays,
    none: null,
    start: 4,
    say: (days) => wording.atMostWeek(counted.classDays(days)),
    input: { label: common.atMost, unit: wording.classDaysWeek, most: 7, step: 1 },
  },
  maxMinutesPerDay: {
    label: wording.mostClassDay,
    none: null,
    start: 360,
    say: (minutes) => wording.atMostOfClassDay(sayLength(minutes)),
    input: { label: common.atMost, unit: wording.minutesOfClassDay, most: 1440, step: 15 },
  },
  maxStretchMinutes: {
    label: wording.longestUnbrokenStretch,
    none: null,
    start: 240,
    say: (minutes) => wording.atMostWithoutPause(sayLength(minutes)),
    input: { label: common.atMost, unit: wording.minutesWithoutPause, most: 1440, step: 15 },
  },
  minutesBetween: {
    label: wording.minutesBetweenClasses,
    none: 0,
    start: 10,
    say: (minutes) => wording.minBetweenClasses(minutes),
    input: { label: common.atLeast, unit: wording.minutesBetween, most: 240, step: 5 },
  },
  restMinutes: {
    label: wording.restBetweenDays,
    none: null,
    start: 720,
    say: (minutes) => wording.ofRestBetweenDays(sayLength(minutes)),
    input: { label: common.atLeast, unit: wording.minutesFromOneDay, most: 1440, step: 15 },
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
