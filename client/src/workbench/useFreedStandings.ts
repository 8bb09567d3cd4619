import { useQuery } from '@tanstack/react-query';
import type { Ask } from '@/api/client';
import { standingsQuery } from '@/api/answerQueries';
import type { GridClass } from '@/grid/classes';
import { withoutKeeps } from '@/domain/edits';

/**
 * In how many timetables each section of a class's component would stand if it were moved there: a class that is kept
 * where it is has none of the others otherwise. Null until it is known, and where
 * there are too many to find it out in time.
 */
export function useFreedStandings(ask: Ask, one: GridClass | null): Readonly<Record<string, string>> | null {
  const numbers = one ? one.course.sections.filter((other) => other.component === one.section.component) : [];
  const freed = one
    ? withoutKeeps(
        ask,
        one.course.id,
        numbers.map((section) => section.number),
      )
    : ask;
  const standings = useQuery({ ...standingsQuery(freed), enabled: one !== null });
  return standings.data?.isExact && !standings.isPlaceholderData ? standings.data.sections : null;
}
