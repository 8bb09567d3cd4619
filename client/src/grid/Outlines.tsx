import { sayHours } from '@/wording/times';
import { along, type Axis, percent } from './axis';
import type { GridClass } from './classes';
import { fullDay } from '@/wording/days';
import { sayComponent } from './classes';
import { wording } from '@/wording/grid/Outlines';

/** A place where a class could be, with what choosing it would leave. */
export type Outline = { one: GridClass; label: string; onChoose: (() => void) | null };

/** Places on one day, as outlines. */
export function Outlines({ axis, outlines }: { axis: Axis; outlines: readonly Outline[] }) {
  return (
    <ul className="pointer-events-none absolute inset-0 z-10" aria-label={wording.otherPlaces}>
      {outlines.map(({ one, label, onChoose }) => {
        const left = along(axis, one.start);
        const text = (
          <span className="absolute top-0 left-0 rounded-br-[2px] bg-sheet px-1 text-11 font-heavy text-plum">
            {label}
          </span>
        );
        return (
          <li
            key={one.key}
            className="absolute rounded-[3px] border-2 border-plum bg-plum/10"
            style={{ left: percent(left), width: percent(along(axis, one.end) - left), top: 3, bottom: 3 }}
          >
            {onChoose ? (
              <button
                type="button"
                aria-label={wording.keepId(
                  one.course.id,
                  sayComponent(one.section),
                  fullDay(one.day),
                  sayHours(one.start, one.end),
                  label,
                )}
                onClick={onChoose}
                onPointerDown={(event) => event.stopPropagation()}
                className="pointer-events-auto absolute inset-0 hover:bg-plum/15"
              >
                {text}
              </button>
            ) : (
              <span aria-hidden="true">{text}</span>
            )}
          </li>
        );
      })}
    </ul>
  );
}
