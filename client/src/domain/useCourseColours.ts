import { useMemo } from 'react';
import type { Colour } from '@/grid/classes';
import { isNumbersByName, recall, remember } from '@/lib/browserStore';

const colours: readonly Colour[] = [1, 2, 3, 4, 5, 6, 7, 8];

/** A colour for each course that it keeps as long as the sketch lives, also when others come and go. */
export function useCourseColours(sketchId: string, courses: readonly string[]): Map<string, Colour> {
  const listed = courses.join('\n');
  return useMemo(() => {
    const name = `colours.${sketchId}`;
    const given = recall(name, isNumbersByName) ?? {};
    const wanted = listed === '' ? [] : listed.split('\n');
    for (const course of wanted) given[course] ??= leastUsed(wanted.map((other) => given[other]));
    remember(name, given);
    return new Map(wanted.map((course) => [course, colours[(given[course]! - 1) % colours.length]!]));
  }, [sketchId, listed]);
}

function leastUsed(used: readonly (number | undefined)[]): number {
  const uses = (colour: Colour) => used.filter((one) => one === colour).length;
  return colours.reduce((best, colour) => (uses(colour) < uses(best) ? colour : best));
}
