import { fullDay, shortDay } from '@/wording/days';
import type { Axis } from './axis';
import type { GridClass } from './classes';
import { DayClasses, DayName, HourLines, HourScale } from './weekParts';

type Props = { axis: Axis; classes: readonly GridClass[]; weekCount: number; label: string };

const noneKept: ReadonlySet<string> = new Set();

/** A week to be looked at: hours across, days down. */
export function WeekView({ axis, classes, weekCount, label }: Props) {
  return (
    <section aria-label={label} className="flex min-h-0 min-w-[720px] flex-1 flex-col pr-6 print:min-w-0">
      <HourScale axis={axis} />
      <div className="flex min-h-0 flex-1 flex-col border-y border-rule">
        {axis.days.map((day) => {
          const ofDay = classes.filter((one) => one.day === day);
          return (
            <div
              key={day}
              className="flex min-h-[62px] flex-1 border-rule not-first:border-t print:min-h-[66px]"
            >
              <div className="sticky left-0 z-20 flex w-[84px] shrink-0 border-r border-hair bg-paper">
                <DayName name={shortDay(day)} classes={ofDay} />
              </div>
              <div role="group" aria-label={fullDay(day)} className="relative flex-1 bg-sheet">
                <HourLines axis={axis} />
                <DayClasses axis={axis} classes={ofDay} weekCount={weekCount} kept={noneKept} />
              </div>
            </div>
          );
        })}
      </div>
    </section>
  );
}
