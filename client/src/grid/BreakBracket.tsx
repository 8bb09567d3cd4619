import type { Break } from '@/api/client';
import { minuteOf } from '@/lib/time';
import { sayLength } from '@/wording/times';
import { along, type Axis, percent } from './axis';
import type { Hours } from './blocks';
import { wording } from '@/wording/grid/BreakBracket';

type Props = { axis: Axis; wanted: Break; taken: readonly Hours[] };

/** A break on one day: a gold bracket along the bottom, filled where the time is free. */
export function BreakBracket({ axis, wanted, taken }: Props) {
  const from = Math.max(axis.from, minuteOf(wanted.from));
  const to = Math.min(axis.to, minuteOf(wanted.to));
  if (to <= from) return null;
  const box = (start: number, end: number) => ({
    left: percent((along(axis, start) - along(axis, from)) / (along(axis, to) - along(axis, from))),
    width: percent((along(axis, end) - along(axis, start)) / (along(axis, to) - along(axis, from))),
  });
  const free = freeWithin({ start: from, end: to }, taken);
  const room = free.find((one) => one.end - one.start >= wanted.minutes);
  const said = sayLength(wanted.minutes);
  return (
    <div
      className="pointer-events-none absolute bottom-0 h-[7px] border border-t-0 border-gold"
      style={{ left: percent(along(axis, from)), width: percent(along(axis, to) - along(axis, from)) }}
    >
      {free.map((one) => (
        <div
          key={one.start}
          className={`absolute inset-y-0 ${one.end - one.start >= wanted.minutes ? 'bg-gold/60' : 'bg-gold/20'}`}
          style={box(one.start, one.end)}
        />
      ))}
      {/* In the free time, where no class stands; where there is none, over what takes it. */}
      <span
        className={`absolute bottom-[7px] truncate px-1 text-11 leading-tight ${room ? '' : 'bg-sheet font-strong'}`}
        style={room ? box(room.start, room.end) : { left: 0 }}
      >
        {room ? wording.breakSaid(said) : wording.noBreak(said)}
      </span>
    </div>
  );
}

/** What is left of some hours when others are taken out. */
export function freeWithin(window: Hours, taken: readonly Hours[]): Hours[] {
  const free: Hours[] = [];
  let start = window.start;
  for (const one of taken.toSorted((a, b) => a.start - b.start)) {
    if (one.start > start) free.push({ start, end: Math.min(one.start, window.end) });
    start = Math.max(start, one.end);
    if (start >= window.end) break;
  }
  if (start < window.end) free.push({ start, end: window.end });
  return free.filter((one) => one.end > one.start);
}
