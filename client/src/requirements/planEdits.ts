import type { Plan, PlanEntry } from '@/api/client';
import { newId } from '@/lib/newId';

// Changes to what stands in terms ahead, each giving a new plan.

export type Planned = { course: string } | { programme: string; requirement: string };

/** A course or a requirement in a term, after what stands there; one that stands there already stays. */
export function putInto(plan: Plan, what: Planned, term: string): Plan {
  if (plan.entries.some((entry) => entry.term === term && isOf(entry, what))) return plan;
  const entry: PlanEntry = {
    id: newId(),
    term,
    course: 'course' in what ? what.course : null,
    requirement: 'course' in what ? null : { programme: what.programme, id: what.requirement },
  };
  return { ...plan, entries: [...plan.entries, entry] };
}

/** An entry in another term, after what stands there. */
export function moveTo(plan: Plan, id: string, term: string): Plan {
  const moved = plan.entries.find((entry) => entry.id === id);
  if (!moved || moved.term === term) return plan;
  return { ...plan, entries: [...plan.entries.filter((entry) => entry.id !== id), { ...moved, term }] };
}

export function takeOut(plan: Plan, id: string): Plan {
  return { ...plan, entries: plan.entries.filter((entry) => entry.id !== id) };
}

/** Courses term by term; what stands in some term already stays where it is. */
export function putAll(plan: Plan, terms: readonly { id: string; courses: readonly string[] }[]): Plan {
  const known = new Set(plan.entries.map((entry) => entry.course));
  return terms.reduce(
    (now, { id, courses }) =>
      courses
        .filter((course) => !known.has(course))
        .reduce((next, course) => putInto(next, { course }, id), now),
    plan,
  );
}

/** The terms in which a course or requirement stands. */
export function termsOf(plan: Plan, what: Planned): string[] {
  return plan.entries.filter((entry) => isOf(entry, what)).map((entry) => entry.term);
}

function isOf(entry: PlanEntry, what: Planned): boolean {
  return 'course' in what
    ? entry.course === what.course
    : entry.requirement?.programme === what.programme && entry.requirement.id === what.requirement;
}

/** What is dragged from term to term, by its id. */
export const dragType = 'application/x-hour-grid-planned';
