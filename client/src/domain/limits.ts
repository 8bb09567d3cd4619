import type { Ask, Course, WantedCourse } from '@/api/client';
import { sayMode } from '@/lib/modes';
import { eitherOrOf } from './edits';

/** What a sketch asks of one course beyond taking it, a short line each. */
export function sayLimits(
  ask: Ask,
  wanted: WantedCourse,
  course: Course | undefined,
  campusName: (id: string) => string,
): string[] {
  const label = (number: string) => course?.sections.find((one) => one.number === number)?.label ?? number;
  const choice = eitherOrOf(ask, wanted.course);
  const lines = [
    choice && sayChoice(choice, wanted.course),
    wanted.keep.length > 0 && `keeps ${wanted.keep.map(label).join(', ')}`,
    wanted.ruleOut.length > 0 && `without ${wanted.ruleOut.map(label).join(', ')}`,
    wanted.instructors.length > 0 && `only with ${wanted.instructors.join(' or ')}`,
    wanted.modes.length > 0 && `only ${wanted.modes.map(sayMode).join(' or ')}`,
    wanted.campuses.length > 0 && `only on ${wanted.campuses.map(campusName).join(' or ')}`,
    wanted.seats !== null && saySeats(wanted.seats),
  ];
  return lines.filter((line) => typeof line === 'string');
}

function sayChoice(choice: Ask['eitherOr'][number], course: string): string {
  const others = choice.courses.filter((other) => other !== course).join(' or ');
  return `${sayTake(choice.take)} of this or ${others}`;
}

/** How many courses a choice takes, "1" or "1 to 2". */
export function sayTake({ min, max }: Ask['eitherOr'][number]['take']): string {
  return min === max ? String(min) : `${min} to ${max}`;
}

function saySeats(rule: string): string {
  if (rule === 'open') return 'only with a free seat';
  return rule === 'waitlist' ? 'with a seat or a place in the waitlist' : 'full sections too';
}
