import { type RefObject, useEffect, useRef } from 'react';
import type { TimeBlock } from '@/api/client';
import { type Day, days, daysOf } from '@/lib/days';

/** Keeps the focus on a block that keys move to another day, and near one that they remove. */
export function useBlockFocus(bands: RefObject<HTMLDivElement | null>, blocks: readonly TimeBlock[]) {
  /** The names of the buttons that may take the focus, the first that is there first. */
  const next = useRef<readonly string[] | null>(null);
  useEffect(() => {
    if (!next.current) return;
    const buttons = next.current.map((name) =>
      bands.current?.querySelector<HTMLElement>(`[data-block="${name}"]`),
    );
    const target =
      buttons.find((button) => button) ?? bands.current?.querySelector<HTMLElement>('[data-block]');
    next.current = null;
    if (target) target.focus();
    else bands.current?.focus();
  }, [bands, blocks]);

  return (before: TimeBlock, after: TimeBlock | null, index: number, day: Day): void => {
    if (after === null) {
      next.current = [
        `${index} ${day}`,
        ...days.flatMap((other) => [`${index} ${other}`, `${index - 1} ${other}`]),
      ];
      return;
    }
    const shift = days.indexOf(daysOf(after.days)[0]!) - days.indexOf(daysOf(before.days)[0]!);
    next.current = [`${index} ${days[days.indexOf(day) + shift]!}`];
  };
}
