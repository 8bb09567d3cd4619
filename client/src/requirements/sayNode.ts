import type { GivenCourse, RequirementNode } from '@/api/client';
import { counted } from '@/wording/counted';
import { wording } from '@/wording/requirements/sayNode';

/** How a requirement stands, in words. */
export function sayState(node: RequirementNode): string {
  switch (node.state) {
    case 'done':
      return wording.done;
    case 'underWay':
      return wording.underWay;
    case 'planned':
      return wording.planned;
    case 'notNeeded':
      return wording.notNeeded;
    default:
      return wording.shortBy(sayShort(node));
  }
}

/** By how much it is short: courses where it asks for courses, else credits. */
export function sayShort(node: RequirementNode): string {
  return node.kind === 'courses' && node.eachCredits
    ? counted.courses(Math.round(node.short / node.eachCredits))
    : counted.credits(node.short);
}

/** What a requirement asks for: "2 courses, with a C or better". */
export function sayNeed(node: RequirementNode): string {
  const amount =
    node.kind === 'courses'
      ? counted.courses(node.take ?? 0)
      : node.kind === 'credits'
        ? counted.credits(node.total)
        : node.kind === 'any'
          ? wording.takeOf(node.take ?? 0)
          : wording.all;
  return node.minGrade === null ? amount : wording.withGrade(amount, node.minGrade);
}

/** A course that counts: "TID 110, B", "PHI 130 from elsewhere". */
export function sayGiven({ course, status, grade }: GivenCourse): string {
  switch (status) {
    case 'completed':
      return grade === null ? course : `${course}, ${grade}`;
    case 'exam':
      return wording.byExam(course);
    case 'transfer':
      return wording.fromElsewhere(course);
    case 'underWay':
      return wording.isUnderWay(course);
    default:
      return wording.isPlanned(course);
  }
}
