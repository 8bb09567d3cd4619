import type { Ask, Course, WantedCourse } from '@/api/client';
import { sayMode } from '@/wording/modes';
import { eitherOrOf } from './edits';
import { wording } from '@/wording/domain/limits';
import { joinOr } from '@/wording/lists';

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
    choice && choice.label === '' && sayChoice(choice, wanted.course),
    wanted.keep.length > 0 && wording.keepsKeep(wanted.keep.map(label).join(', ')),
    wanted.ruleOut.length > 0 && wording.withoutRuleOut(wanted.ruleOut.map(label).join(', ')),
    wanted.instructors.length > 0 && wording.onlyWith(joinOr(wanted.instructors)),
    wanted.modes.length > 0 && wording.onlyModes(joinOr(wanted.modes.map(sayMode))),
    wanted.campuses.length > 0 && wording.onlyOn(joinOr(wanted.campuses.map(campusName))),
    wanted.seats !== null && saySeats(wanted.seats),
  ];
  return lines.filter((line) => typeof line === 'string');
}

function sayChoice(choice: Ask['eitherOr'][number], course: string): string {
  const others = joinOr(choice.courses.filter((other) => other !== course));
  return wording.ofOr(sayTake(choice.take), others);
}

/** How many courses a choice takes, "1" or "1 to 2". */
export function sayTake({ min, max }: Ask['eitherOr'][number]['take']): string {
  return min === max ? String(min) : wording.minMax(min, max);
}

function saySeats(rule: string): string {
  if (rule === 'open') return wording.onlyWithFreeSeat;
  return rule === 'waitlist' ? wording.withSeatOrPlace : wording.fullSectionsToo;
}
