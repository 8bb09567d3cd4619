import type { CSSProperties } from 'react';
import { along, type Axis, hoursOf, percent } from '@/grid/axis';
import { colourOf, type GridClass, markOf, sayClass, sayWeeksShort } from '@/grid/classes';
import { Fit } from '@/grid/Fit';
import { sharesOfDay } from '@/grid/shares';
import { type Day } from '@/lib/days';
import { shortDay } from '@/wording/days';
import { Scroller } from '@/ui/Scroller';
import { LaneLetter } from './LaneLetter';
import type { BoardLane } from './useBoard';
import { wording } from '@/wording/lineup/Lanes';

type Props = {
  axis: Axis;
  lanes: readonly BoardLane[];
  weekCount: number;
  /** Whether a class of a lane is shared, and so drawn faintly. */
  isFaded: (lane: BoardLane, number: string) => boolean;
};

/** Heights of a lane, in pixels: with one line of text, and for each of several. */
const oneLine = 22;
const furtherLine = 16;
const gap = 4;

/** A band for each day, in it a lane for each timetable, all on one hour axis. The table beside it says the same. */
export function Lanes({ axis, lanes, weekCount, isFaded }: Props) {
  const hours = hoursOf(axis);
  return (
    <Scroller label={wording.lanes} className="shrink-0">
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
                  <div
                    key={lane.letter}
                    className="flex items-center"
                    style={{ height: heightOf(lane, day, weekCount) }}
                  >
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
                  height={heightOf(lane, day, weekCount)}
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
  height: number;
  weekCount: number;
  isFaded: (number: string) => boolean;
};

const shapes: Record<string, string> = {
  lab: 'border-l-[5px] border-double border-l-on-course',
  recitation: 'recitation-edge',
};

/** As high as a line of text for each class that stands over another one, which is in other weeks. */
function heightOf(lane: BoardLane, day: Day, weekCount: number): number {
  const shares = sharesOfDay(
    lane.classes.filter((one) => one.day === day),
    weekCount,
  );
  const lines = Math.max(1, ...[...shares.values()].map((share) => Math.round(1 / share.height)));
  return lines === 1 ? oneLine : gap + lines * furtherLine;
}

function Lane({ axis, classes, height, weekCount, isFaded }: LaneProps) {
  const shares = sharesOfDay(classes, weekCount);
  return (
    <div className="relative border-hair not-first:border-t" style={{ height }}>
      {classes.map((one) => {
        const share = shares.get(one.key)!;
        const left = along(axis, one.start);
        const isFaint = isFaded(one.section.number);
        const colour = isFaint
          ? `color-mix(in srgb, ${colourOf(one.colour)} 15%, var(--sheet))`
          : colourOf(one.colour);
        const component = one.section.component === 'lecture' ? '' : ` ${one.section.component.slice(0, 3)}`;
        const weeks = sayWeeksShort(one.weeks, weekCount);
        const named = `${one.course.id}${component}`;
        return (
          <div
            key={one.key}
            data-section={one.section.number}
            title={sayClass(one, weekCount)}
            className={`absolute overflow-hidden rounded-[3px] border border-on-course/35 px-1 text-11 leading-[14px] ${
              shapes[one.section.component] ?? ''
            } ${isFaint ? 'text-mute' : 'text-on-course'}`}
            data-faded={isFaint}
            style={
              {
                left: percent(left),
                width: percent(along(axis, one.end) - left),
                top: `calc(2px + ${share.top} * (100% - 4px))`,
                height: `calc(${share.height} * (100% - 4px))`,
                backgroundColor: colour,
                '--behind': colour,
              } as CSSProperties
            }
          >
            <Fit
              forms={[
                markOf(one.course.id),
                one.course.id,
                ...(component === '' ? [] : [named]),
                ...(weeks === '' ? [] : [`${named}, ${weeks}`]),
              ]}
              className="font-strong"
            />
          </div>
        );
      })}
    </div>
  );
}
