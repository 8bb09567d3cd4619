import { memo } from 'react';
import { colourOf, type PlacedSection, markOf, sayComponent } from '@/grid/classes';
import { sayMode } from '@/wording/modes';
import { sayCredits } from '@/domain/credits';
import { wording } from '@/wording/workbench/NoHours';

/** The sections of the timetable in view that meet at no set hours. */
export const NoHours = memo(function NoHours({ sections }: { sections: readonly PlacedSection[] }) {
  const free = sections.filter((placed) => placed.section.meetings.length === 0);
  if (free.length === 0) return null;
  return (
    <div className="flex flex-wrap items-center gap-2 px-4 pt-2 text-12">
      <h2 className="font-heavy" id="no-set-hours">
        {wording.noSetHours}
      </h2>
      <ul aria-labelledby="no-set-hours" className="flex flex-wrap gap-2">
        {free.map(({ course, section, colour }) => (
          <li
            key={section.number}
            className="flex items-center gap-1.5 rounded-[3px] border border-rule bg-sheet px-1.5 py-0.5"
          >
            <span
              className="flex size-4 items-center justify-center rounded-[2px] text-11 text-on-course"
              style={{ backgroundColor: colourOf(colour) }}
              aria-hidden="true"
            >
              {markOf(course.id)}
            </span>
            {course.id} {sayComponent(section)}, {sayMode(section.mode)},{' '}
            {sayCredits(course.minCredits, course.maxCredits)}
          </li>
        ))}
      </ul>
    </div>
  );
});
