import type { MeasureRow } from '@/api/client';
import { sayLength } from '@/wording/times';
import { measureOf } from '@/wording/measures';
import { wording } from '@/wording/lineup/measures';
import { common } from '@/wording/common';

export function nameOfMeasure(row: MeasureRow): string {
  return measureOf(row.measure)?.name ?? row.measure;
}

export function sayMeasure(row: MeasureRow, value: number | null): string {
  return value === null ? common.noSetHours : (measureOf(row.measure)?.say(value) ?? String(value));
}

/** A value as what it is more or less than another one. */
export function sayChange(row: MeasureRow, value: number | null, from: number | null): string {
  if (value === null || from === null) return sayMeasure(row, value);
  if (value === from) return wording.theSame;
  const amount =
    row.measure === 'earliestStart' || row.measure === 'latestEnd'
      ? sayLength(Math.abs(value - from))
      : sayMeasure(row, Math.abs(value - from));
  const isTime = row.measure === 'earliestStart' || row.measure === 'latestEnd';
  const more = isTime ? 'later' : 'more';
  const less = isTime ? 'earlier' : 'less';
  return `${amount} ${value > from ? more : less}`;
}

const dayBegins = 6 * 60;
const dayEnds = 22 * 60;

/** The length of a value's bar, 0 to 1, on one scale for the whole row. */
export function barOf(row: MeasureRow, value: number | null): number {
  if (value === null) return 0;
  if (row.measure === 'earliestStart' || row.measure === 'latestEnd')
    return Math.min(1, Math.max(0, (value - dayBegins) / (dayEnds - dayBegins)));
  const most = Math.max(...row.values.map((one) => one ?? 0));
  return most === 0 ? 0 : value / most;
}
