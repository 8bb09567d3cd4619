import type { TimeBlock } from '@/api/client';
import { type Day, days, daysOf } from '@/lib/days';
import { fullDay, sayDays } from '@/wording/days';
import { apiTime, type Minute, minuteOf, minutesPerDay } from '@/lib/time';
import { sayHours } from '@/wording/times';
import { sayWeeks } from '@/wording/weeks';
import { common } from '@/wording/common';
import { joinAnd } from '@/wording/lists';

/** The steps in which hours are drawn, moved and stretched; typed hours may be any. */
export const step: Minute = 15;

export type Hours = { start: Minute; end: Minute };

export function hoursOfBlock(block: TimeBlock): Hours {
  return { start: minuteOf(block.start), end: minuteOf(block.end) };
}

export function newBlock(someDays: readonly Day[], hours: Hours, label = '', strength = 'cannot'): TimeBlock {
  return {
    days: daysOf(someDays),
    start: apiTime(hours.start),
    end: apiTime(hours.end),
    strength,
    weeks: null,
    label,
  };
}

/** The stretch between two points of a drag, at least one step long. */
export function drawn(anchor: Minute, current: Minute): Hours {
  const start = Math.min(anchor, current);
  return { start, end: Math.max(anchor, current, start + step) };
}

export function moved(block: TimeBlock, by: Minute): TimeBlock {
  const { start, end } = hoursOfBlock(block);
  const shift = Math.max(-start, Math.min(minutesPerDay - end, by));
  return { ...block, start: apiTime(start + shift), end: apiTime(end + shift) };
}

export function stretched(block: TimeBlock, edge: 'start' | 'end', to: Minute): TimeBlock {
  const { start, end } = hoursOfBlock(block);
  return edge === 'start'
    ? { ...block, start: apiTime(Math.max(0, Math.min(to, end - step))) }
    : { ...block, end: apiTime(Math.min(minutesPerDay, Math.max(to, start + step))) };
}

/** A block that went from one to another, one step further the same way; null where it stays, or can go no further. */
export function goingOn(from: TimeBlock, to: TimeBlock): TimeBlock | null {
  if (daysOf(from.days).join() !== daysOf(to.days).join()) return null;
  const [was, is] = [hoursOfBlock(from), hoursOfBlock(to)];
  const start = is.start + step * Math.sign(is.start - was.start);
  const end = is.end + step * Math.sign(is.end - was.end);
  const stays = start === is.start && end === is.end;
  if (stays || start < 0 || end > minutesPerDay || end - start < step) return null;
  return { ...to, start: apiTime(start), end: apiTime(end) };
}

/** The block on other days, all shifted by so many; unchanged where one would leave the week. */
export function onDaysShifted(block: TimeBlock, by: number): TimeBlock {
  const moved = daysOf(block.days).map((day) => days.indexOf(day) + by);
  if (moved.some((day) => day < 0 || day >= days.length)) return block;
  return { ...block, days: moved.map((day) => days[day]!) };
}

export function sayStrength(strength: string): string {
  return strength === 'cannot' ? common.cant : common.ratherNot;
}

export function sayBlock(block: TimeBlock): string {
  const { start, end } = hoursOfBlock(block);
  const weeks = block.weeks === null ? '' : `, ${sayWeeks(block.weeks)}`;
  const label = block.label === '' ? '' : `, ${block.label}`;
  return `${sayDays(daysOf(block.days))} ${sayHours(start, end)}${weeks}${label}`;
}

export function sayBlockInFull(block: TimeBlock): string {
  const { start, end } = hoursOfBlock(block);
  const label = block.label === '' ? '' : `, ${block.label}`;
  const weeks = block.weeks === null ? '' : `, ${sayWeeks(block.weeks)}`;
  return `${sayStrength(block.strength)}, ${joinAnd(daysOf(block.days).map(fullDay))} ${sayHours(start, end)}${weeks}${label}`;
}
