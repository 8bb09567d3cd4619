import { daysOf } from '@/lib/days';
import { sayDays } from '@/wording/days';
import { sayMode } from '@/wording/modes';
import { minuteOf } from '@/lib/time';
import { sayHours } from '@/wording/times';
import { wording } from '@/wording/catalogue/narrowing';
import { common } from '@/wording/common';
import { listOr } from '@/wording/lists';

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
  'eligible',
] as const;

export type Side = (typeof sides)[number];

/** Sides that always stand in the sentence, narrowed or not. */
export const usual: readonly Side[] = ['subject', 'campus', 'day', 'hours', 'seats', 'mode'];

export function isSide(text: string): text is Side {
  return (sides as readonly string[]).includes(text);
}

export const sideNames: Record<Side, string> = {
  subject: wording.subject,
  attribute: wording.countsAs,
  level: wording.level,
  credits: common.credits,
  component: wording.component,
  instructor: common.instructor,
  campus: wording.campus,
  day: common.days,
  hours: common.hours,
  seats: wording.seats,
  mode: wording.deliveryMode,
  part: wording.partOfTerm,
  eligible: wording.eligible,
};

/** Names of values that the address only has ids of. */
export type Names = {
  campus: (id: string) => string;
  part: (id: string) => string;
  subject: (code: string) => string;
};

/** One side as a phrase of the sentence: "on Harbour or Kiln", "any day". The word before is not part of what one edits. */
export function phraseOf(
  side: Side,
  values: readonly string[],
  names: Names,
): { before: string; text: string } {
  const some = values.length > 0;
  switch (side) {
    case 'subject':
      return { before: '', text: some ? listOr(values.map(names.subject)) : wording.anySubject };
    case 'attribute':
      return { before: wording.countingAs, text: some ? listOr(values) : wording.anything };
    case 'level':
      return { before: '', text: some ? listOr(values) : wording.anyLevel };
    case 'credits':
      return { before: wording.with, text: some ? sayCreditRange(values[0]!) : wording.anyCredits };
    case 'component':
      return { before: wording.as, text: some ? listOr(values) : wording.anyComponent };
    case 'instructor':
      return { before: wording.with, text: some ? listOr(values) : wording.anyInstructor };
    case 'campus':
      return { before: wording.on, text: some ? listOr(values.map(names.campus)) : wording.anyCampus };
    case 'day':
      return { before: '', text: some ? wording.onlyDays(sayDays(daysOf(values))) : wording.anyDay };
    case 'hours':
      return { before: '', text: some ? sayHourRange(values[0]!) : wording.anyHour };
    case 'seats':
      return { before: '', text: saySeats(values[0]) };
    case 'mode':
      return { before: '', text: some ? listOr(values.map(sayMode)) : wording.anyMode };
    case 'part':
      return { before: wording.in, text: some ? listOr(values.map(names.part)) : wording.anyPartOfTerm };
    case 'eligible':
      return { before: '', text: some ? wording.thatIMayTake : wording.takenOrNot };
  }
}

export function sayCreditRange(range: string): string {
  const [min = '', max = ''] = range.split('-');
  return min === max ? wording.credits(min) : wording.creditsFromTo(min, max);
}

function sayHourRange(range: string): string {
  const [start, end] = range.split('-');
  return start && end ? sayHours(minuteOf(start), minuteOf(end)) : range;
}

function saySeats(rule: string | undefined): string {
  if (rule === 'open') return wording.withFreeSeat;
  return rule === 'waitlist' ? wording.withSeatOrWaitlistPlace : wording.fullOrNot;
}

/** What one change would bring back, as the end of "9 more …". */
export function sayLoosening(by: Side, value: string | null, names: Names): string {
  switch (by) {
    case 'campus':
      return wording.ifAllowed(names.campus(value ?? ''));
    case 'mode':
      return sayMode(value ?? '');
    case 'seats':
      return value === 'waitlist' ? wording.withPlaceInWaitlist : wording.thatAreFull;
    case 'subject':
      return wording.ofOtherSubjects;
    case 'attribute':
      return wording.countAsSomethingElse;
    case 'level':
      return wording.ofOtherLevels;
    case 'credits':
      return wording.withOtherCredits;
    case 'component':
      return wording.asOtherComponents;
    case 'instructor':
      return wording.withOtherInstructors;
    case 'day':
      return wording.onOtherDays;
    case 'hours':
      return wording.atOtherHours;
    case 'part':
      return wording.inOtherPartsOfTerm;
    case 'eligible':
      return wording.thatYouMayNotTake;
  }
}

/** The values of a side after a change that brings courses back. */
export function loosened(side: Side, values: readonly string[], value: string | null): string[] {
  if (side === 'campus' || side === 'mode') return value === null ? [] : [...values, value];
  if (side === 'seats') return value === 'waitlist' ? ['waitlist'] : [];
  return [];
}
