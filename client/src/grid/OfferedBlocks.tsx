import type { TimeBlock } from '@/api/client';
import { type Day, daysOf } from '@/lib/days';
import { fullDay } from '@/wording/days';
import { sayHours } from '@/wording/times';
import { sayWeeks } from '@/wording/weeks';
import { along, type Axis, percent } from './axis';
import { hoursOfBlock } from './blocks';
import { wording } from '@/wording/grid/OfferedBlocks';

/** Hours that could be taken out, and whether they are picked for it. */
export type OfferedBlock = { key: string; block: TimeBlock; isPicked: boolean; toggle: () => void };

type Props = { axis: Axis; day: Day; offered: readonly OfferedBlock[] };

/** Hours that could be taken out on one day: dashed while they are only offered, hatched once they are picked. */
export function OfferedBlocks({ axis, day, offered }: Props) {
  const ofDay = offered.filter(({ block }) => daysOf(block.days).includes(day));
  if (ofDay.length === 0) return null;
  return (
    <ul className="pointer-events-none absolute inset-0 z-10" aria-label={wording.hoursOffered}>
      {ofDay.map(({ key, block, isPicked, toggle }) => {
        const { start, end } = hoursOfBlock(block);
        const left = along(axis, start);
        const weeks = block.weeks === null ? '' : `, ${sayWeeks(block.weeks)}`;
        return (
          <li
            key={key}
            className="absolute inset-y-0"
            style={{ left: percent(left), width: percent(along(axis, end) - left) }}
          >
            <button
              type="button"
              aria-pressed={isPicked}
              aria-label={`${block.label || wording.withoutName}, ${fullDay(day)} ${sayHours(start, end)}${weeks}`}
              onClick={toggle}
              onPointerDown={(event) => event.stopPropagation()}
              className={`pointer-events-auto absolute inset-0 cursor-pointer overflow-hidden border-2 text-left ${
                isPicked ? 'hatch border-plum' : 'border-dashed border-mute hover:bg-plum/10'
              }`}
            >
              <span className="absolute top-1 left-1 line-clamp-3 max-w-[calc(100%-8px)] rounded-[2px] bg-sheet px-1 text-11 break-words text-ink">
                {block.label || sayHours(start, end)}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
