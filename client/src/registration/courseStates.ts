import type {
  Finding,
  Choice,
  HeldBundle,
  Line,
  LineResult,
  Press,
  Readiness,
  Registration,
  WaitingPlace,
} from '@/api/client';
import { isSame } from '@/lib/isSame';
import { coursesOf, numbersOf } from '@/domain/shortlist';

/** How a course stands with the registrar. */
export type CourseState = {
  key: string;
  course: string;
  sections: readonly string[];
} & (
  | { kind: 'held'; held: HeldBundle; line: Line | null; result: LineResult | null }
  | { kind: 'waiting'; waiting: WaitingPlace }
  | { kind: 'sent'; line: Line; sentUtc: string }
  /** The registrar said no; what stands against it now may be other than then. */
  | { kind: 'refused'; line: Line; result: LineResult; now: LineResult | null; isChosen: boolean }
  | { kind: 'planned'; line: Line | null; now: LineResult | null }
);

export type Sent = Pick<Press, 'lines' | 'sentUtc'>;

/** Every course of a term that is held, waited for, sent, refused or chosen, what is chosen in its order first. */
export function courseStates(
  registration: Registration,
  choice: Choice | null,
  readiness: Readiness | null,
  unsent: Sent | null,
): CourseState[] {
  const { held, waiting } = registration.standing;
  const answered = registration.presses.filter((press) => press.answer !== null);
  const sent = [
    ...registration.presses.filter((press) => press.answeredUtc === null),
    ...(unsent ? [unsent] : []),
  ];
  const lastOf = (course: string) => lastLine(answered, course);
  const states: CourseState[] = [];
  const chosen = choice ? coursesOf(choice.timetable) : [];
  const latest = answered.at(-1)?.lines.map((line) => line.course) ?? [];
  const sentCourses = sent.flatMap((press) => press.lines.map((line) => line.course));
  const inOrder = readiness?.lines.map((line) => line.course) ?? [];
  const courses = new Set([
    ...held.map((one) => one.course),
    ...waiting.map((one) => one.course),
    ...sentCourses,
    ...inOrder,
    ...chosen,
    ...latest,
  ]);
  for (const course of courses) {
    const ofHeld = held.find((one) => one.course === course);
    const last = lastOf(course);
    if (ofHeld)
      states.push({
        key: `held/${course}`,
        kind: 'held',
        course,
        sections: ofHeld.sections,
        held: ofHeld,
        line: last?.line ?? null,
        result: last?.result ?? null,
      });
    for (const one of waiting.filter((place) => place.course === course))
      states.push({
        key: `waiting/${one.id}`,
        kind: 'waiting',
        course,
        sections: one.sections,
        waiting: one,
      });
    const ofSent = sent
      .flatMap((press) => press.lines.map((line) => ({ line, sentUtc: press.sentUtc })))
      .find(({ line }) => line.course === course && line.sections.length > 0);
    if (ofSent) {
      states.push({ key: `sent/${course}`, kind: 'sent', course, sections: ofSent.line.sections, ...ofSent });
      continue;
    }
    const at = readiness?.lines.findIndex((line) => line.course === course) ?? -1;
    const now = at < 0 ? null : (readiness?.answer?.lines[at] ?? null);
    const isChosen = chosen.includes(course);
    const wanted = choice
      ? numbersOf(choice.timetable).filter((number) => courseOfChoice(choice, number) === course)
      : [];
    const isWaitedFor = waiting.some((one) => isSame([...one.sections].sort(), [...wanted].sort()));
    if (
      last?.result.outcome === 'refused' &&
      !ofHeld &&
      !isWaitedFor &&
      (isChosen || latest.includes(course))
    )
      states.push({
        key: `refused/${course}`,
        kind: 'refused',
        course,
        sections: isChosen ? wanted : last.line.sections,
        line: isChosen && at >= 0 ? readiness!.lines[at]! : last.line,
        result: last.result,
        now,
        isChosen,
      });
    else if (
      isChosen &&
      !isWaitedFor &&
      !(ofHeld && isSame([...ofHeld.sections].sort(), [...wanted].sort())) &&
      !tookInstead(ofHeld, last)
    )
      states.push({
        key: `planned/${course}`,
        kind: 'planned',
        course,
        sections: wanted,
        line: at < 0 ? null : readiness!.lines[at]!,
        now,
      });
  }
  return states.sort((one, other) => order.indexOf(one.kind) - order.indexOf(other.kind));
}

const order: CourseState['kind'][] = ['sent', 'held', 'waiting', 'refused', 'planned'];

function courseOfChoice(choice: Choice, number: string): string | undefined {
  return choice.timetable.sections.find((section) => section.number === number)?.course;
}

/** Whether what is held is what was prepared for this: then it is not to be swapped back by the next press. */
function tookInstead(held: HeldBundle | undefined, last: { result: LineResult } | null): boolean {
  return (
    held !== undefined &&
    last?.result.outcome === 'registered' &&
    isSame([...held.sections].sort(), [...last.result.sections].sort())
  );
}

function lastLine(presses: readonly Press[], course: string): { line: Line; result: LineResult } | null {
  for (const press of presses.toReversed())
    for (const [i, line] of press.lines.entries())
      if (line.course === course && line.sections.length > 0)
        return { line, result: press.answer!.lines[i]! };
  return null;
}

/** What stands against a student's registering anything, and so against every course alike. */
const general = ['hold', 'approvalNeeded', 'termClosed'];

export function isGeneral(finding: Finding): boolean {
  return general.includes(finding.kind);
}

/** What stands against everything, each once. */
export function generalFindings(states: readonly CourseState[]): Finding[] {
  const all = states.flatMap((one) =>
    one.kind === 'planned' || one.kind === 'refused' ? (one.now?.findings ?? []) : [],
  );
  return distinct(all.filter(isGeneral));
}

export function distinct(findings: readonly Finding[]): Finding[] {
  return [...new Map(findings.map((one) => [one.kind + one.sentence, one])).values()];
}

/** What refuses a course, whatever the time. */
export function blocking(result: LineResult | null) {
  return result?.findings.filter((finding) => !finding.isWarning && finding.kind !== 'notYourTurn') ?? [];
}

const forSeats: readonly string[] = ['full', 'waitlistFull', 'sectionClosed', 'cancelled'];

/** Whether a course lacks a seat, whatever else it lacks. */
export const lacksSeat = (result: LineResult | null): boolean =>
  blocking(result).some((finding) => forSeats.includes(finding.kind));

/** Whether a course lacks a seat and nothing else. */
export const lacksSeatAlone = (result: LineResult | null): boolean =>
  lacksSeat(result) && blocking(result).every((finding) => forSeats.includes(finding.kind));
