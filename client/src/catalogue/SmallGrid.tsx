import { useMemo } from 'react';
import type { Course, Sketch, Term } from '@/api/client';
import { along, axisFor, hoursOf } from '@/grid/axis';
import { classesOf, colourOf, type GridClass } from '@/grid/classes';
import { sharesOfDay } from '@/grid/shares';
import { shortDay } from '@/wording/days';
import { useCourseColours } from '@/domain/useCourseColours';
import { placed, useSections } from '@/domain/useSections';
import { useWalk } from '@/domain/useWalk';
import { wording } from '@/wording/catalogue/SmallGrid';

const left = 22;
const top = 12;
const width = 420;
const band = 20;

type Props = {
  term: Term;
  sketch: Sketch;
  course: Course;
  pointedAt: string | null;
};

/** The sketch's timetable in view, small, and where the section pointed at would fall. */
export function SmallGrid({ term, sketch, course, pointedAt }: Props) {
  const { ask } = sketch;
  const walk = useWalk(sketch.id, ask);
  const colours = useCourseColours(
    sketch.id,
    ask.wanted.map((wanted) => wanted.course),
  );
  const sections = useSections(term.id, colours);
  const inView = walk.inView?.sections;
  const classes = useMemo(() => classesOf(placed(sections, inView ?? [])), [sections, inView]);
  const all = useMemo(
    () => course.sections.map((section) => ({ course, section, colour: 1 as const })),
    [course],
  );
  const pointed = classesOf(all.filter((one) => one.section.number === pointedAt));
  const axis = useMemo(() => axisFor([...classes, ...classesOf(all)]), [classes, all]);
  const x = (minute: number) => left + along(axis, minute) * (width - left - 8);
  const height = top + axis.days.length * band;
  const box = (one: GridClass, share: { top: number; height: number }) => ({
    x: x(one.start),
    y: 1 + share.top * (band - 2),
    width: Math.max(2, x(one.end) - x(one.start)),
    height: share.height * (band - 2),
  });
  return (
    <figure className="shrink-0 border-t border-rule bg-sheet px-4 pt-2 pb-2 max-md:mt-3 max-md:px-0">
      <figcaption className="mb-1 text-12 text-mute">
        {ask.wanted.length === 0
          ? wording.pointAtSectionToSee
          : inView
            ? wording.sketchsTimetableInViewSection
            : wording.sketchNoTimetableAtPresent}
      </figcaption>
      <svg viewBox={`0 0 ${width} ${height}`} className="block w-full" aria-hidden="true">
        {hoursOf(axis).map((hour) => (
          <g key={hour}>
            <line x1={x(hour * 60)} x2={x(hour * 60)} y1={top} y2={height} className="stroke-hair" />
            {hour % 2 === 0 && (
              <text x={x(hour * 60)} y={9} textAnchor="middle" className="fill-mute" fontSize="9">
                {hour}
              </text>
            )}
          </g>
        ))}
        {axis.days.map((day, row) => {
          const ofDay = classes.filter((one) => one.day === day);
          const shares = sharesOfDay(ofDay, term.weeks);
          const outlined = pointed.filter((one) => one.day === day);
          const outlines = sharesOfDay(outlined, term.weeks);
          return (
            <g key={day} transform={`translate(0 ${top + row * band})`}>
              <line x1={left} x2={width} className="stroke-hair" />
              <text x={0} y={band / 2 + 3} className="fill-mute" fontSize="9">
                {shortDay(day)}
              </text>
              {ofDay.map((one) => (
                <rect
                  key={one.key}
                  {...box(one, shares.get(one.key)!)}
                  rx="1.5"
                  fill={colourOf(one.colour)}
                />
              ))}
              {outlined.map((one) => (
                <rect
                  key={one.key}
                  {...box(one, outlines.get(one.key)!)}
                  rx="1.5"
                  className="fill-plum/20 stroke-plum"
                  strokeWidth="2"
                />
              ))}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
