import type { Term } from '@/api/client';
import { type Day, days } from '@/lib/days';

const dayMs = 86_400_000;

/** The date of a weekday in a week of the term, as `2027-01-11`. */
export function dateOf(term: Term, week: number, day: Day): string {
  const time = Date.parse(term.firstMonday) + ((week - 1) * 7 + days.indexOf(day)) * dayMs;
  return new Date(time).toISOString().slice(0, 10);
}

export function mondayOf(term: Term, week: number): string {
  return dateOf(term, week, 'mon');
}

/** What a day without class is for; null when classes meet. */
export function noClassOn(term: Term, week: number, day: Day): string | null {
  const date = dateOf(term, week, day);
  return term.noClass.find((period) => period.from <= date && date <= period.to)?.name ?? null;
}

export function weekHasClass(term: Term, week: number): boolean {
  return days.slice(0, 5).some((day) => noClassOn(term, week, day) === null);
}

const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** 11 Jan. */
export function sayDate(date: string): string {
  return `${Number(date.slice(8, 10))} ${months[Number(date.slice(5, 7)) - 1]}`;
}
