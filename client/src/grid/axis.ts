import { type Day, days } from '@/lib/days';
import { type Minute, minutesPerDay } from '@/lib/time';

/** What part of the week a grid shows: some days, between two full hours. */
export type Axis = { days: Day[]; from: Minute; to: Minute };

type Stretch = { day: Day; start: Minute; end: Minute };

const usual = { from: 8 * 60, to: 20 * 60 };

/** The usual week, widened so that all of these can be seen: it stays still while one walks among them. */
export function axisFor(stretches: readonly Stretch[]): Axis {
  const from = Math.min(usual.from, ...stretches.map((one) => one.start));
  const to = Math.max(usual.to, ...stretches.map((one) => one.end));
  const last = Math.max(4, ...stretches.map((one) => days.indexOf(one.day)));
  return {
    days: days.slice(0, last + 1),
    from: Math.floor(from / 60) * 60,
    to: Math.min(minutesPerDay, Math.ceil(to / 60) * 60),
  };
}

/** Just the hours that these take, and the usual days with those of the weekend that are used. */
export function axisFitting(stretches: readonly Stretch[]): Axis {
  if (stretches.length === 0) return axisFor([]);
  const from = Math.min(...stretches.map((one) => one.start));
  const to = Math.max(...stretches.map((one) => one.end));
  return {
    ...axisFor(stretches),
    from: Math.floor(from / 60) * 60,
    to: Math.min(minutesPerDay, Math.ceil(to / 60) * 60),
  };
}

/** A minute's place along the axis, 0 to 1. */
export function along(axis: Axis, minute: Minute): number {
  return (minute - axis.from) / (axis.to - axis.from);
}

export function percent(part: number): string {
  return `${part * 100}%`;
}

export function hoursOf(axis: Axis): number[] {
  return Array.from({ length: (axis.to - axis.from) / 60 + 1 }, (_, i) => axis.from / 60 + i);
}
