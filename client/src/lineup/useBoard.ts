import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { comparedQuery, putByQuery, survivalQuery } from '@/api/putByQueries';
import { axisFitting } from '@/grid/axis';
import { classesOf, type GridClass } from '@/grid/classes';
import type { Lane } from '@/domain/picks';
import { coursesOf, numbersOf } from '@/domain/shortlist';
import { useCourseColours } from '@/domain/useCourseColours';
import type { TermVisit } from '@/domain/useTermVisit';
import { placed, useSections } from '@/domain/useSections';

/** A lane with what is known of its timetable. */
export type BoardLane = ReturnType<typeof useBoard>['lanes'][number];

/** The lanes that are shown, their classes, how each stands and survives, and how they compare. */
export function useBoard({ term, sketch }: TermVisit, lanes: readonly Lane[]) {
  const courses = useMemo(
    () => [
      ...new Set([
        ...sketch.ask.wanted.map((one) => one.course),
        ...lanes.flatMap((lane) => coursesOf(lane.timetable)),
      ]),
    ],
    [sketch.ask.wanted, lanes],
  );
  const colours = useCourseColours(sketch.id, courses);
  const sections = useSections(term.id, colours);
  const states = useQueries({
    queries: lanes.map((lane) => putByQuery(lane.sketch.ask, [lane.timetable])),
  });
  const survivals = useQueries({
    queries: lanes.map((lane, i) => ({
      ...survivalQuery(lane.sketch.ask, numbersOf(lane.timetable)),
      enabled: states[i]?.data?.[0]?.isTimetable === true,
    })),
  });
  const comparable = lanes.filter((_, i) => states[i]?.data?.[0]?.measures);
  const compared = useQuery({
    ...comparedQuery(
      sketch.ask,
      // Two sketches may hold copies of one timetable; here each is one of its own.
      comparable.map((lane, i) => ({
        ...lane.timetable,
        id: `${emptyId.slice(0, -1)}${i}`,
        name: lane.letter,
      })),
    ),
    enabled: comparable.length > 0,
  });

  const shown = lanes.map((lane, i) => ({
    ...lane,
    numbers: numbersOf(lane.timetable),
    classes: classesOf(placed(sections, numbersOf(lane.timetable))),
    state: states[i]?.data?.[0] ?? null,
    survival: survivals[i]?.data ?? null,
    problem: states[i]?.error ?? survivals[i]?.error ?? null,
  }));
  const axis = axisFitting(shown.flatMap((lane): GridClass[] => lane.classes));
  return { lanes: shown, comparable, compared, axis, sections };
}

const emptyId = '00000000-0000-0000-0000-000000000000';
