import type { Term } from '@/api/client';
import { plusDays } from '@/lib/dates';
import { type Day, days } from '@/lib/days';

/** The date of a weekday in a week of the term, as `2027-01-11`. */
export function dateOf(term: Term, week: number, day: Day): string {
  return plusDays(term.firstMonday, (week - 1) * 7 + days.indexOf(day));
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
