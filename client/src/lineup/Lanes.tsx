import { along, type Axis, hoursOf, percent } from '@/grid/axis';
import { colourOf, type GridClass, sayClass } from '@/grid/classes';
import { sharesOfDay } from '@/grid/shares';
import { shortDay } from '@/lib/days';
import { Scroller } from '@/ui/Scroller';
import { LaneLetter } from './LaneLetter';
import type { BoardLane } from './useBoard';

type Props = {
  axis: Axis;
  lanes: readonly BoardLane[];
  weekCount: number;
  /** Whether a class of a lane is shared, and so drawn faintly. */
  isFaded: (lane: BoardLane, number: string) => boolean;
};

/** A band for each day, in it a lane for each timetable, all on one hour axis. The table beside it says the same. */
export function Lanes({ axis, lanes, weekCount, isFaded }: Props) {
  const hours = hoursOf(axis);
  return (
    <Scroller label="Lanes" className="shrink-0">
      <div className="min-w-[620px] pr-4 pl-1" aria-hidden="true">
        <div className="relative ml-[88px] h-6 text-12 text-mute">
          {hours.map((hour) => (
            <span
              key={hour}
              className="absolute top-1 -translate-x-1/2"
              style={{ left: percent(along(axis, hour * 60)) }}
            >
              {hour}
            </span>
          ))}
        </div>
        {axis.days.map((day) => (
          <div key={day} className="flex border-t border-rule last:border-b" data-day={day}>
            <div className="sticky left-0 z-10 flex w-[88px] shrink-0 bg-paper">
              <span className="flex-1 pt-1 pr-2 text-right text-14 font-heavy">{shortDay(day)}</span>
              <div className="w-7">
                {lanes.map((lane) => (
                  <div key={lane.letter} className="flex h-[22px] items-center">
                    <LaneLetter lane={lane} isSmall />
                  </div>
                ))}
              </div>
            </div>
            <div className="relative flex-1 bg-sheet">
              {hours.map((hour) => (
                <div
                  key={hour}
                  className="absolute inset-y-0 w-px bg-hair"
                  style={{ left: percent(along(axis, hour * 60)) }}
                />
              ))}
              {lanes.map((lane) => (
                <Lane
                  key={lane.letter}
                  axis={axis}
                  classes={lane.classes.filter((one) => one.day === day)}
                  weekCount={weekCount}
                  isFaded={(number) => isFaded(lane, number)}
                />
              ))}
            </div>
          </div>
        ))}
      </div>
    </Scroller>
  );
}

type LaneProps = {
  axis: Axis;
  classes: readonly GridClass[];
  weekCount: number;
  isFaded: (number: string) => boolean;
};

const shapes: Record<string, string> = {
  lab: 'border-l-[5px] border-double border-l-on-course',
  recitation: 'recitation-edge',
};

function Lane({ axis, classes, weekCount, isFaded }: LaneProps) {
  const shares = sharesOfDay(classes, weekCount);
  return (
    <div className="relative h-[22px] border-hair not-first:border-t">
      {classes.map((one) => {
        const share = shares.get(one.key)!;
        const left = along(axis, one.start);
        const isFaint = isFaded(one.section.number);
        return (
          <div
            key={one.key}
            data-section={one.section.number}
            title={sayClass(one, weekCount)}
            className={`absolute overflow-hidden rounded-[3px] border border-on-course/35 px-1 text-11 leading-[16px] whitespace-nowrap ${
              shapes[one.section.component] ?? ''
            } ${isFaint ? 'text-mute' : 'text-on-course'}`}
            data-faded={isFaint}
            style={{
              left: percent(left),
              width: percent(along(axis, one.end) - left),
              top: `calc(2px + ${share.top} * (100% - 4px))`,
              height: `calc(${share.height} * (100% - 4px))`,
              backgroundColor: isFaint
                ? `color-mix(in srgb, ${colourOf(one.colour)} 15%, var(--sheet))`
                : colourOf(one.colour),
            }}
          >
            {share.height === 1 && (
              <>
                <span className="font-strong">{one.course.id}</span>{' '}
                {one.section.component !== 'lecture' && one.section.component}
              </>
            )}
          </div>
        );
      })}
    </div>
  );
}
