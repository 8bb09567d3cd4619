import type { PutBy, SeenSection } from '@/api/client';
import type { PlacedSection } from '@/grid/classes';

/** The most timetables on the shortlist of a sketch. */
export const mostShortlisted = 30;

export type Shortlist = readonly PutBy[];

/** The registration numbers of a timetable put by. */
export const numbersOf = (one: { sections: readonly SeenSection[] }): string[] =>
  one.sections.map((section) => section.number);

/** The courses it takes, each once. */
export const coursesOf = (one: { sections: readonly SeenSection[] }): string[] => [
  ...new Set(one.sections.map((section) => section.course)),
];

/** Sections as they are now, to be told later what became of them. */
export function seenOf(sections: readonly PlacedSection[]): SeenSection[] {
  return sections.map(({ course, section }) => ({
    number: section.number,
    course: course.id,
    component: section.component,
    label: section.label,
    meetings: section.meetings.map(({ day, start, end, weeks, campus }) => ({
      day,
      start,
      end,
      weeks,
      campus,
    })),
  }));
}

/** The one on the shortlist with just these sections. */
export function findPutBy(shortlist: Shortlist, numbers: readonly string[]): PutBy | undefined {
  const wanted = [...numbers].sort().join();
  return shortlist.find((one) => numbersOf(one).sort().join() === wanted);
}

// Changes to a shortlist, each giving a new one.

export function putBy(shortlist: Shortlist, one: PutBy): Shortlist {
  const isThere = findPutBy(shortlist, numbersOf(one)) !== undefined || shortlist.length >= mostShortlisted;
  return isThere ? shortlist : [...shortlist, one];
}

export function changePutBy(shortlist: Shortlist, id: string, change: Partial<PutBy>): Shortlist {
  return shortlist.map((one) => (one.id === id ? { ...one, ...change } : one));
}

export function removePutBy(shortlist: Shortlist, id: string): Shortlist {
  return shortlist.filter((one) => one.id !== id);
}

/** One of a list put where another stands. */
export function movedTo<T>(list: readonly T[], from: number, to: number): readonly T[] {
  if (from < 0 || to < 0 || to >= list.length || from === to) return list;
  return list.toSpliced(from, 1).toSpliced(to, 0, list[from]!);
}
