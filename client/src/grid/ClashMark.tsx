import type { Clash } from '@/api/client';
import { minuteOf } from '@/lib/time';
import { along, type Axis, percent } from './axis';
import { wording } from '@/wording/grid/ClashMark';

/** Where two kept sections are in each other's way, in brick with its minutes. */
export function ClashMark({ axis, clash }: { axis: Axis; clash: Clash }) {
  const from = along(axis, minuteOf(clash.from));
  const width = along(axis, minuteOf(clash.to)) - from;
  return (
    <div
      className="pointer-events-none absolute inset-y-0 z-10 min-w-[3px] border-x-2 border-brick bg-brick/25"
      style={{ left: percent(from), width: percent(width) }}
    >
      <span className="absolute bottom-0 left-0 rounded-[2px] bg-brick px-1 text-11 font-heavy whitespace-nowrap text-sheet">
        {wording.minutesMin(clash.minutes)}
        <span className="sr-only">{wording.ofConflict}</span>
      </span>
    </div>
  );
}
