import { memo } from 'react';
import { type PlacedSection, sayComponent } from '@/grid/classes';
import { sayMeetings } from '@/grid/meetings';
import { wording } from '@/wording/workbench/PrintSections';
import { common } from '@/wording/common';
import { joinAnd } from '@/wording/lists';

/** The sections of the timetable in view as a list; on paper only, under the week. */
export const PrintSections = memo(function PrintSections({
  sections,
}: {
  sections: readonly PlacedSection[];
}) {
  return (
    <table className="mt-3 hidden w-full text-11 print:table">
      <thead>
        <tr className="text-left">
          {[common.number, common.course, wording.section, common.hours, wording.room, common.instructor].map(
            (name) => (
              <th key={name} className="border-b border-rule py-0.5 pr-2">
                {name}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>
        {sections.map(({ course, section }) => (
          <tr key={section.number}>
            <td className="py-0.5 pr-2 tabular-nums">{section.number}</td>
            <td className="py-0.5 pr-2">
              {course.id} {course.title}
            </td>
            <td className="py-0.5 pr-2">{sayComponent(section)}</td>
            <td className="py-0.5 pr-2">{sayMeetings(section)}</td>
            <td className="py-0.5 pr-2">
              {[...new Set(section.meetings.map((one) => one.room))].join(', ')}
            </td>
            <td className="py-0.5">{joinAnd(section.instructors)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
});
