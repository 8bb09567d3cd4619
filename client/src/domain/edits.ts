import type { Ask, Break, TimeBlock, WantedCourse } from '@/api/client';
import { isSame } from '@/lib/isSame';
import { wording } from '@/wording/domain/edits';

// Changes to an ask, each giving a new one.

export type Role = 'must' | 'ifItFits' | 'setAside';

export const roles: { value: Role; label: string }[] = [
  { value: 'must', label: wording.must },
  { value: 'ifItFits', label: wording.ifFits },
  { value: 'setAside', label: wording.setAside },
];

export function isRole(text: string): text is Role {
  return roles.some((role) => role.value === text);
}

export function sayRole(role: string): string {
  return roles.find((one) => one.value === role)?.label ?? role;
}

export function wantedOf(ask: Ask, course: string): WantedCourse | undefined {
  return ask.wanted.find((wanted) => wanted.course === course);
}

function plain(course: string, role: Role): WantedCourse {
  return {
    course,
    role,
    keep: [],
    ruleOut: [],
    instructors: [],
    modes: [],
    campuses: [],
    seats: null,
  };
}

/** An ask of the same term that asks nothing yet, but keeps what matters and what is registered. */
export function emptied(ask: Ask): Ask {
  return {
    ...ask,
    wanted: [],
    eitherOr: [],
    credits: { min: null, max: null },
    timeBlocks: [],
    breaks: [],
    dayLimits: ask.off.dayLimits,
    campus: { allowed: [], preferred: null, respectTravel: true, onePerDay: false },
    modes: [],
  };
}

/** Wants a course in a role; one that is wanted already takes the role. */
export function addCourse(ask: Ask, course: string, role: Role = 'must'): Ask {
  return wantedOf(ask, course)
    ? changeCourse(ask, course, (wanted) => ({ ...wanted, role }))
    : { ...ask, wanted: [...ask.wanted, plain(course, role)] };
}

export function removeCourse(ask: Ask, course: string): Ask {
  return {
    ...ask,
    wanted: ask.wanted.filter((wanted) => wanted.course !== course),
    eitherOr: ask.eitherOr.flatMap((choice) => withoutCourse(choice, course)),
  };
}

type EitherOr = Ask['eitherOr'][number];

/** A choice among one course is none: the course has its own role again. */
function withoutCourse(choice: EitherOr, course: string): EitherOr[] {
  const courses = choice.courses.filter((other) => other !== course);
  if (courses.length < 2) return [];
  const most = courses.length;
  const take = { min: Math.min(choice.take.min, most), max: Math.min(choice.take.max, most) };
  return [{ ...choice, courses, take }];
}

export function setRole(ask: Ask, course: string, role: Role): Ask {
  return changeCourse(ask, course, (wanted) => ({ ...wanted, role }));
}

function changeCourse(ask: Ask, course: string, change: (wanted: WantedCourse) => WantedCourse): Ask {
  return {
    ...ask,
    wanted: ask.wanted.map((wanted) => (wanted.course === course ? change(wanted) : wanted)),
  };
}

/** What is said of one section: keep it, rule it out, or nothing. A course that is not wanted yet becomes a must. */
export function markSection(ask: Ask, course: string, number: string, mark: 'keep' | 'ruleOut' | null): Ask {
  const wanting = wantedOf(ask, course) ? ask : addCourse(ask, course);
  return changeCourse(wanting, course, (wanted) => ({
    ...wanted,
    keep: [...wanted.keep.filter((one) => one !== number), ...(mark === 'keep' ? [number] : [])],
    ruleOut: [...wanted.ruleOut.filter((one) => one !== number), ...(mark === 'ruleOut' ? [number] : [])],
  }));
}

/** Without these sections, wherever they are kept, ruled out or held. */
export function letGo(ask: Ask, numbers: readonly string[]): Ask {
  const without = (list: readonly string[]) => list.filter((number) => !numbers.includes(number));
  return {
    ...ask,
    registered: without(ask.registered),
    wanted: ask.wanted.map((wanted) => ({
      ...wanted,
      keep: without(wanted.keep),
      ruleOut: without(wanted.ruleOut),
    })),
  };
}

/** Sections that must be the ones taken, with their courses as musts. */
export function keepSections(ask: Ask, sections: readonly { course: string; number: string }[]): Ask {
  return sections.reduce(
    (now, { course, number }) => markSection(addCourse(now, course), course, number, 'keep'),
    ask,
  );
}

/** Courses that a plan takes or may take, in their order. */
export function takenBeside(ask: Ask): string[] {
  return ask.wanted
    .filter(({ course, role }) => role !== 'setAside' || eitherOrOf(ask, course) !== undefined)
    .map(({ course }) => course);
}

export type CourseLimits = Partial<Pick<WantedCourse, 'instructors' | 'modes' | 'campuses' | 'seats'>>;

/** Limits that hold for one course alone. */
export function limitCourse(ask: Ask, course: string, limits: CourseLimits): Ask {
  const wanting = wantedOf(ask, course) ? ask : addCourse(ask, course);
  return changeCourse(wanting, course, (wanted) => ({ ...wanted, ...limits }));
}

/** The choice a course is in. */
export function eitherOrOf(ask: Ask, course: string): EitherOr | undefined {
  return ask.eitherOr.find((choice) => choice.courses.includes(course));
}

/** One of two: a course and another one that is wanted, or one of those the other one already stands among. */
export function chooseBetween(ask: Ask, course: string, other: string): Ask {
  const wanting = wantedOf(ask, course) ? ask : addCourse(ask, course);
  const apart = { ...wanting, eitherOr: wanting.eitherOr.flatMap((choice) => withoutCourse(choice, course)) };
  const joined = eitherOrOf(apart, other);
  return {
    ...apart,
    eitherOr: joined
      ? apart.eitherOr.map((choice) =>
          choice === joined ? { ...choice, courses: [...choice.courses, course] } : choice,
        )
      : [...apart.eitherOr, { courses: [other, course], take: { min: 1, max: 1 }, label: '' }],
  };
}

/** The course out of its choice; it has its own role again. */
export function leaveEitherOr(ask: Ask, course: string): Ask {
  return { ...ask, eitherOr: ask.eitherOr.flatMap((choice) => withoutCourse(choice, course)) };
}

/**
 * One of several courses, which stands for a requirement: those of them that are wanted already, or chosen among, stay as
 * they are. A requirement of the same name is asked for anew.
 */
export function askForOneOf(ask: Ask, label: string, courses: readonly string[]): Ask {
  const before = withoutRequirement(ask, label);
  const others = courses.filter((course) => !wantedOf(before, course));
  if (others.length === 0) return before;
  return {
    ...before,
    wanted: [...before.wanted, ...others.map((course) => plain(course, 'setAside'))],
    eitherOr: [...before.eitherOr, { courses: [...others], take: { min: 1, max: 1 }, label }],
  };
}

/** The ask without a requirement and the courses that stand for it alone. */
export function withoutRequirement(ask: Ask, label: string): Ask {
  const gone = ask.eitherOr.find((choice) => choice.label === label);
  if (!gone) return ask;
  return {
    ...ask,
    wanted: ask.wanted.filter(({ course }) => !gone.courses.includes(course)),
    eitherOr: ask.eitherOr.filter((choice) => choice !== gone),
  };
}

/** A course among the wanted ones, one place up (-1) or down (1), or before another. */
export function moveCourse(ask: Ask, course: string, to: 1 | -1 | { before: string | null }): Ask {
  const from = ask.wanted.findIndex((wanted) => wanted.course === course);
  if (from < 0) return ask;
  const others = ask.wanted.toSpliced(from, 1);
  const at =
    typeof to === 'number'
      ? Math.max(0, Math.min(others.length, from + to))
      : to.before === null
        ? others.length
        : others.findIndex((wanted) => wanted.course === to.before);
  return at < 0 ? ask : { ...ask, wanted: others.toSpliced(at, 0, ask.wanted[from]!) };
}

/** How many courses the choice with this course takes. */
export function setTake(ask: Ask, course: string, take: EitherOr['take']): Ask {
  return {
    ...ask,
    eitherOr: ask.eitherOr.map((choice) => (choice.courses.includes(course) ? { ...choice, take } : choice)),
  };
}

/** The same said of several sections at once. */
export function markSections(
  ask: Ask,
  course: string,
  numbers: readonly string[],
  mark: 'keep' | 'ruleOut' | null,
): Ask {
  return numbers.reduce((now, number) => markSection(now, course, number, mark), ask);
}

/** This section in place of any other of its component that is kept. */
export function keepInstead(ask: Ask, course: string, number: string, ofComponent: readonly string[]): Ask {
  return markSection(markSections(ask, course, ofComponent, null), course, number, 'keep');
}

/** The ask with none of these sections of a course kept: where else they could be is asked of it. */
export function withoutKeeps(ask: Ask, course: string, numbers: readonly string[]): Ask {
  if (!wantedOf(ask, course)?.keep.some((number) => numbers.includes(number))) return ask;
  return changeCourse(ask, course, (wanted) => ({
    ...wanted,
    keep: wanted.keep.filter((number) => !numbers.includes(number)),
  }));
}

/** A list with one of its items changed (to null: without it), or with a new one; found by what it is, not where. */
function replaced<T>(list: readonly T[], before: T | null, after: T | null): T[] {
  if (before === null) return after === null ? [...list] : [...list, after];
  const at = list.findIndex((one) => isSame(one, before));
  if (at < 0) return after === null ? [...list] : [...list, after];
  return after === null ? list.toSpliced(at, 1) : list.with(at, after);
}

export function replaceBlock(ask: Ask, before: TimeBlock | null, after: TimeBlock | null): Ask {
  return { ...ask, timeBlocks: replaced(ask.timeBlocks, before, after) };
}

export function replaceBreak(ask: Ask, before: Break | null, after: Break | null): Ask {
  return { ...ask, breaks: replaced(ask.breaks, before, after) };
}

export function setLimits(ask: Ask, limits: Partial<Ask['dayLimits']>): Ask {
  return { ...ask, dayLimits: { ...ask.dayLimits, ...limits } };
}

export function setCampus(ask: Ask, campus: Partial<Ask['campus']>): Ask {
  return { ...ask, campus: { ...ask.campus, ...campus } };
}

export function setWeights(ask: Ask, weights: Partial<Ask['weights']>): Ask {
  return { ...ask, weights: { ...ask.weights, ...weights } };
}
