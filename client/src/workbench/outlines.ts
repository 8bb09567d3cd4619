import type { Ask } from '@/api/client';
import { classesOf, type GridClass, type PlacedSection } from '@/grid/classes';
import type { Outline } from '@/grid/Outlines';
import { sayCount } from '@/wording/counts';

type Standings = Readonly<Record<string, string>> | null;

/**
 * The other places where the component of a class could be: the sections of the course that stand in some timetable,
 * one outline for each place, with the number of timetables in which the component is there.
 */
export function otherOutlines(one: GridClass, standings: Standings): Outline[] {
  const others = one.course.sections
    .filter((section) => section.component === one.section.component && section.number !== one.section.number)
    .filter((section) => BigInt(standings?.[section.number] ?? 0) > 0n);
  const placed = others.map((section): PlacedSection => ({
    course: one.course,
    section,
    colour: one.colour,
  }));
  const byPlace = new Map<string, { one: GridClass; count: bigint }>();
  for (const place of classesOf(placed)) {
    const key = `${place.day} ${place.start} ${place.end}`;
    const before = byPlace.get(key)?.count ?? 0n;
    byPlace.set(key, { one: place, count: before + BigInt(standings?.[place.section.number] ?? 0) });
  }
  return [...byPlace.values()].map(({ one: place, count }) => ({
    one: place,
    label: sayCount(count),
    onChoose: null,
  }));
}

/** Where one section falls. */
export function outlinesOf(section: PlacedSection, standings: Standings): Outline[] {
  const count = standings?.[section.section.number];
  const label = count === undefined ? section.section.label : `${section.section.label}: ${sayCount(count)}`;
  return classesOf([section]).map((one) => ({ one, label, onChoose: null }));
}

/** Every place of the components of courses of which nothing is kept yet, each to be kept by a press. */
export function openOutlines(
  ask: Ask,
  sections: readonly PlacedSection[],
  course: string | null,
  standings: Standings,
  onKeep: (course: string, number: string) => void,
): Outline[] {
  const wanted = ask.wanted.find((one) => one.course === course);
  if (!wanted) return [];
  const ofCourse = sections.filter((one) => one.course.id === course);
  const done = new Set(
    ofCourse.filter((one) => wanted.keep.includes(one.section.number)).map((one) => one.section.component),
  );
  const next = ofCourse.find((one) => !done.has(one.section.component))?.section.component;
  return classesOf(
    ofCourse.filter(
      (one) => one.section.component === next && BigInt(standings?.[one.section.number] ?? 0) > 0n,
    ),
  ).map((one) => ({
    one,
    label: `${one.section.label}: ${sayCount(standings?.[one.section.number] ?? 0)}`,
    onChoose: () => onKeep(one.course.id, one.section.number),
  }));
}
