import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Course } from '@/api/client';
import { courseQuery } from '@/api/queries';
import type { Colour, PlacedSection } from '@/grid/classes';

/** The sections of the wanted courses, by registration number, and the courses by code. */
export type Sections = { byNumber: Map<string, PlacedSection>; courses: Map<string, Course> };

export function useSections(term: string, colours: Map<string, Colour>): Sections {
  const loaded = useQueries({
    queries: [...colours.keys()].map((course) => courseQuery(term, course)),
    combine: (results) => results.flatMap((result) => (result.data ? [result.data] : [])),
  });
  return useMemo(
    () => ({
      courses: new Map(loaded.map((course) => [course.id, course])),
      byNumber: new Map(
        loaded.flatMap((course) =>
          course.sections.map((section) => [
            section.number,
            { course, section, colour: colours.get(course.id) ?? 1 },
          ]),
        ),
      ),
    }),
    [loaded, colours],
  );
}

export function placed(sections: Sections, numbers: readonly string[]): PlacedSection[] {
  return numbers.flatMap((number) => sections.byNumber.get(number) ?? []);
}
