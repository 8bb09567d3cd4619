import { daysOf, sayDays } from '@/lib/days';
import { sayMode } from '@/lib/modes';
import { minuteOf, sayHours } from '@/lib/time';

/** The sides of a narrowing, named as their parameters in the address, in the order of the sentence. */
export const sides = [
  'subject',
  'attribute',
  'level',
  'credits',
  'component',
  'instructor',
  'campus',
  'day',
  'hours',
  'seats',
  'mode',
  'part',
] as const;

export type Side = (typeof sides)[number];

/** Sides that always stand in the sentence, narrowed or not. */
export const usual: readonly Side[] = ['subject', 'campus', 'day', 'hours', 'seats', 'mode'];

export function isSide(text: string): text is Side {
  return (sides as readonly string[]).includes(text);
}

export const sideNames: Record<Side, string> = {
  subject: 'Subject',
  attribute: 'Counts as',
  level: 'Level',
  credits: 'Credits',
  component: 'Component',
  instructor: 'Instructor',
  campus: 'Campus',
  day: 'Days',
  hours: 'Hours',
  seats: 'Seats',
  mode: 'Delivery mode',
  part: 'Part of term',
};

/** Names of values that the address only has ids of. */
export type Names = {
  campus: (id: string) => string;
  part: (id: string) => string;
  subject: (code: string) => string;
};

const joined = (values: readonly string[]) =>
  values.length <= 2 ? values.join(' or ') : `${values.slice(0, -1).join(', ')} or ${values.at(-1)}`;

/** One side as a phrase of the sentence: "on Harbour or Kiln", "any day". The word before is not part of what one edits. */
export function phraseOf(
  side: Side,
  values: readonly string[],
  names: Names,
): { before: string; text: string } {
  const some = values.length > 0;
  switch (side) {
    case 'subject':
      return { before: '', text: some ? joined(values.map(names.subject)) : 'any subject' };
    case 'attribute':
      return { before: 'counting as', text: some ? joined(values) : 'anything' };
    case 'level':
      return { before: '', text: some ? joined(values) : 'any level' };
    case 'credits':
      return { before: 'with', text: some ? sayCreditRange(values[0]!) : 'any credits' };
    case 'component':
      return { before: 'as', text: some ? joined(values) : 'any component' };
    case 'instructor':
      return { before: 'with', text: some ? joined(values) : 'any instructor' };
    case 'campus':
      return { before: 'on', text: some ? joined(values.map(names.campus)) : 'any campus' };
    case 'day':
      return { before: '', text: some ? `only ${sayDays(daysOf(values))}` : 'any day' };
    case 'hours':
      return { before: '', text: some ? sayHourRange(values[0]!) : 'any hour' };
    case 'seats':
      return { before: '', text: saySeats(values[0]) };
    case 'mode':
      return { before: '', text: some ? joined(values.map(sayMode)) : 'any mode' };
    case 'part':
      return { before: 'in', text: some ? joined(values.map(names.part)) : 'any part of the term' };
  }
}

export function sayCreditRange(range: string): string {
  const [min, max] = range.split('-');
  return min === max ? `${min} credits` : `${min}–${max} credits`;
}

function sayHourRange(range: string): string {
  const [start, end] = range.split('-');
  return start && end ? sayHours(minuteOf(start), minuteOf(end)) : range;
}

function saySeats(rule: string | undefined): string {
  if (rule === 'open') return 'with a free seat';
  return rule === 'waitlist' ? 'with a seat or a waitlist place' : 'full or not';
}

/** What one change would bring back, as the end of "9 more …". */
export function sayLoosening(by: Side, value: string | null, names: Names): string {
  switch (by) {
    case 'campus':
      return `if ${names.campus(value ?? '')} is allowed`;
    case 'mode':
      return sayMode(value ?? '');
    case 'seats':
      return value === 'waitlist' ? 'with a place in the waitlist' : 'that are full';
    case 'subject':
      return 'of other subjects';
    case 'attribute':
      return 'that count as something else';
    case 'level':
      return 'of other levels';
    case 'credits':
      return 'with other credits';
    case 'component':
      return 'as other components';
    case 'instructor':
      return 'with other instructors';
    case 'day':
      return 'on other days';
    case 'hours':
      return 'at other hours';
    case 'part':
      return 'in other parts of the term';
  }
}

/** The values of a side after a change that brings courses back. */
export function loosened(side: Side, values: readonly string[], value: string | null): string[] {
  if (side === 'campus' || side === 'mode') return value === null ? [] : [...values, value];
  if (side === 'seats') return value === 'waitlist' ? ['waitlist'] : [];
  return [];
}
