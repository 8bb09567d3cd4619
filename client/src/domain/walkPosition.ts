import type { Ask, Ranked } from '@/api/client';
import { countKeyOf, keyOf } from '@/api/answerQueries';
import { isTexts } from '@/lib/browserStore';

/** Where one stood in an ask: its key, the position of the week shape, and the sections that were in view. */
export type WalkPosition = { key: string; position: number; sections: string[] };

export function isWalkPosition(value: unknown): value is WalkPosition {
  return (
    typeof value === 'object' &&
    value !== null &&
    'key' in value &&
    typeof value.key === 'string' &&
    'position' in value &&
    typeof value.position === 'number' &&
    'sections' in value &&
    isTexts(value.sections)
  );
}

/** The position of the timetable that shares the most sections with what was in view, the best of those. */
export function nearest(timetables: readonly Ranked[], held: readonly string[]): number {
  const holds = new Set(held);
  let [position, most] = [0, 0];
  timetables.forEach((one, i) => {
    const shared = one.sections.filter((number) => holds.has(number)).length;
    if (shared > most) [position, most] = [i, shared];
  });
  return position;
}

/** Whether two asks want the same and weigh it otherwise. */
export function differsInWeightsAlone(one: Ask, other: Ask): boolean {
  return countKeyOf(one) === countKeyOf(other) && keyOf(one) !== keyOf(other);
}
