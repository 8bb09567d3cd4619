import type { TimeBlock } from '@/api/client';
import { type Day, daysOf, fullDay } from '@/lib/days';
import { sayHours } from '@/lib/time';
import { sayWeeks } from '@/lib/weeks';
import { along, type Axis, percent } from './axis';
import { hoursOfBlock } from './blocks';

/** Hours that could be taken out, and whether they are picked for it. */
export type OfferedBlock = { key: string; block: TimeBlock; isPicked: boolean; toggle: () => void };

type Props = { axis: Axis; day: Day; offered: readonly OfferedBlock[] };

/** Hours that could be taken out on one day: dashed while they are only offered, hatched once they are picked. */
export function OfferedBlocks({ axis, day, offered }: Props) {
  const ofDay = offered.filter(({ block }) => daysOf(block.days).includes(day));
  if (ofDay.length === 0) return null;
  return (
    <ul className="pointer-events-none absolute inset-0 z-10" aria-label="Hours offered">
      {ofDay.map(({ key, block, isPicked, toggle }) => {
        const { start, end } = hoursOfBlock(block);
        const left = along(axis, start);
        const weeks =
          block.weeks === null ? '' : `, ${sayWeeks(block.weeks, { one: 'week', many: 'weeks' })}`;
        return (
          <li
            key={key}
            className="absolute inset-y-0"
            style={{ left: percent(left), width: percent(along(axis, end) - left) }}
          >
            <button
              type="button"
              aria-pressed={isPicked}
              aria-label={`${block.label || 'Without a name'}, ${fullDay(day)} ${sayHours(start, end)}${weeks}`}
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
