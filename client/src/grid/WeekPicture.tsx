import { memo } from 'react';
import { along, type Axis } from './axis';
import { colourOf, type GridClass } from './classes';
import { sharesOfDay } from './shares';

const width = 140;
const height = 90;

type Props = {
  axis: Axis;
  classes: readonly GridClass[];
  weekCount: number;
};

/** A week small enough to stand beside others, on the same axis and in the same colours. */
export const WeekPicture = memo(function WeekPicture({ axis, classes, weekCount }: Props) {
  const band = height / axis.days.length;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="block w-full" aria-hidden="true">
      <rect width={width} height={height} className="fill-paper" />
      {axis.days.map((day, row) => {
        const ofDay = classes.filter((one) => one.day === day);
        const shares = sharesOfDay(ofDay, weekCount);
        return (
          <g key={day} transform={`translate(0 ${row * band})`}>
            {row > 0 && <line x2={width} className="stroke-hair" />}
            {ofDay.map((one) => {
              const share = shares.get(one.key)!;
              const left = along(axis, one.start) * width;
              return (
                <rect
                  key={one.key}
                  x={left}
                  y={1.5 + share.top * (band - 3)}
                  width={Math.max(2, along(axis, one.end) * width - left)}
                  height={share.height * (band - 3)}
                  rx="1"
                  fill={colourOf(one.colour)}
                  className="stroke-on-course/30"
                  strokeWidth="0.5"
                />
              );
            })}
          </g>
        );
      })}
    </svg>
  );
});
