import type { Sections } from '@/domain/useSections';

/** Sections by their course and labels: CAR 305 L01, B11. One that is gone is its number. */
export function saySections(sections: readonly { number: string; course: string; label: string }[]): string {
  const byCourse = new Map<string, string[]>();
  for (const { number, course, label } of sections)
    byCourse.set(course, [...(byCourse.get(course) ?? []), label || number]);
  return [...byCourse].map(([course, labels]) => `${course} ${labels.join(', ')}`.trim()).join('; ');
}

/** The same of their numbers. */
export function sayBundle(numbers: readonly string[], { byNumber }: Sections): string {
  return saySections(
    numbers.map((number) => {
      const one = byNumber.get(number);
      return { number, course: one?.course.id ?? '', label: one?.section.label ?? '' };
    }),
  );
}
