import { useMemo } from 'react';
import { sayHours } from '@/wording/times';
import { along, type Axis, hoursOf, percent } from './axis';
import { ClassBlock, type ClassHandlers } from './ClassBlock';
import type { GridClass } from './classes';
import { sharesOfDay } from './shares';

// What a week is drawn of, to be worked on or only to be looked at.

/** The hours over the week. */
export function HourScale({ axis }: { axis: Axis }) {
  return (
    <div className="relative ml-[84px] h-6 shrink-0 text-12 text-mute" aria-hidden="true">
      {hoursOf(axis).map((hour) => (
        <span
          key={hour}
          data-hour={hour}
          className="absolute top-1 -translate-x-1/2"
          style={{ left: percent(along(axis, hour * 60)) }}
        >
          {hour}
        </span>
      ))}
    </div>
  );
}

export function DayName({ name, classes }: { name: string; classes: readonly GridClass[] }) {
  const hours =
    classes.length === 0
      ? 'off'
      : sayHours(Math.min(...classes.map((one) => one.start)), Math.max(...classes.map((one) => one.end)));
  return (
    <div
      className="min-h-[54px] flex-1 border-rule pt-2 pr-2 text-right not-first:border-t"
      aria-hidden="true"
    >
      <div className="text-14 font-heavy">{name}</div>
      <div className="text-11 whitespace-nowrap text-mute">{hours}</div>
    </div>
  );
}

export function HourLines({ axis }: { axis: Axis }) {
  return (
    <>
      {hoursOf(axis).map((hour) => (
        <div
          key={hour}
          className="absolute inset-y-0 w-px bg-hair"
          style={{ left: percent(along(axis, hour * 60)) }}
        />
      ))}
    </>
  );
}

type DayClassesProps = Partial<ClassHandlers> & {
  axis: Axis;
  classes: GridClass[];
  weekCount: number;
  kept: ReadonlySet<string>;
};

export function DayClasses({ axis, classes, weekCount, kept, ...handlers }: DayClassesProps) {
  const shares = useMemo(() => sharesOfDay(classes, weekCount), [classes, weekCount]);
  return (
    <ul className="pointer-events-none absolute inset-0">
      {classes.map((one) => (
        <ClassBlock
          key={one.key}
          axis={axis}
          one={one}
          share={shares.get(one.key)!}
          weekCount={weekCount}
          isKept={kept.has(one.section.number)}
          {...handlers}
        />
      ))}
    </ul>
  );
}
