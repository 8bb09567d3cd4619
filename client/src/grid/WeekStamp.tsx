import { memo } from 'react';
import type { Found } from '@/api/client';
import { days } from '@/lib/days';
import { fullDay } from '@/wording/days';
import { wording } from '@/wording/grid/WeekStamp';
import { common } from '@/wording/common';

type Stamp = Found['stamp'];

const cell = 10;

/** When the sections of a course meet: days down, hours across, darker where more of them do. */
export const WeekStamp = memo(function WeekStamp({ stamp }: { stamp: Stamp }) {
  const hours = stamp.days[0]?.length ?? 0;
  const most = Math.max(1, ...stamp.days.flat());
  if (stamp.days.every((day) => day.every((count) => count === 0)))
    return <span className="flex h-full items-center text-11 text-mute">{common.noSetHours}</span>;
  return (
    <svg
      viewBox={`0 0 ${hours * cell} ${stamp.days.length * cell}`}
      className="h-full w-full"
      preserveAspectRatio="xMidYMid meet"
      aria-hidden="true"
    >
      {stamp.days.map((day, row) =>
        day.map((count, hour) => (
          <rect
            key={`${row} ${hour}`}
            x={hour * cell + 0.5}
            y={row * cell + 0.5}
            width={cell - 1}
            height={cell - 1}
            rx="1"
            className={count > 0 ? 'fill-plum' : 'fill-hair'}
            opacity={count > 0 ? 0.35 + 0.65 * (count / most) : 1}
          />
        )),
      )}
    </svg>
  );
});

/** The stamp for those who hear it: the days, and from when to when. */
export function sayStamp(stamp: Stamp): string {
  const parts = stamp.days.flatMap((day, row) => {
    const first = day.findIndex((count) => count > 0);
    if (first < 0) return [];
    const last = day.findLastIndex((count) => count > 0);
    return [wording.betweenAnd(fullDay(days[row]!), stamp.firstHour + first, stamp.firstHour + last + 1)];
  });
  return parts.length === 0 ? wording.noSetHours : wording.sectionsMeet(parts.join(', '));
}
