import { countOf, type Countable, sayAmount } from './counts';

const of = (one: string, many?: string) => (count: Countable) => countOf(count, one, many);

/** So many of a thing, with its word in the right number. */
export const counted = {
  timetables: of('timetable'),
  courses: of('course'),
  sections: of('section'),
  numbers: of('number'),
  days: of('day'),
  breaks: of('break'),
  seats: of('seat'),
  classDays: of('class day'),
  events: of('event'),
  weekShapes: of('week shape'),
  conflicts: of('conflict'),
  terms: of('term'),
  credits: (amount: number) => sayAmount(amount, 'credit'),
};
