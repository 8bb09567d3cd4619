import type { Sections } from '@/domain/useSections';

/** Sections by their course and labels: CAR 305 L01, B11. */
export function sayBundle(numbers: readonly string[], sections: Sections): string {
  const byCourse = new Map<string, string[]>();
  for (const number of numbers) {
    const one = sections.byNumber.get(number);
    const course = one?.course.id ?? '';
    byCourse.set(course, [...(byCourse.get(course) ?? []), one?.section.label ?? number]);
  }
  return [...byCourse].map(([course, labels]) => `${course} ${labels.join(', ')}`.trim()).join('; ');
}
