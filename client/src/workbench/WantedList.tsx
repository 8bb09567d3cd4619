import { useState } from 'react';
import type { Answer, Ask, WantedCourse } from '@/api/client';
import type { Colour } from '@/grid/classes';
import { eitherOrOf } from '@/domain/edits';
import type { Sections } from '@/domain/useSections';
import type { Details } from './useDetails';
import { RequirementRow } from './RequirementRow';
import { WantedRow } from './WantedRow';
import { wording } from '@/wording/workbench/WantedList';

type Props = {
  ask: Ask;
  answer: Answer | null;
  details: Details;
  sections: Sections;
  colours: Map<string, Colour>;
  /** The course that shows its sections. */
  open: string | null;
  onOpen: (course: string | null) => void;
  without: string | null;
  onWithout: (course: string | null) => void;
  onPointSection: (number: string | null) => void;
  change: (edit: (ask: Ask) => Ask) => void;
};

export function WantedList(props: Props) {
  const {
    ask,
    answer,
    details,
    sections,
    colours,
    open,
    onOpen,
    without,
    onWithout,
    onPointSection,
    change,
  } = props;

  const [openRequirement, setOpenRequirement] = useState<string | null>(null);

  /** In how many timetables a course is that may be left out. */
  const heldOf = (index: number) => {
    const { course, role } = ask.wanted[index]!;
    const cost = details.costs?.[`wanted[${index}]`];
    if (role !== 'ifItFits' || eitherOrOf(ask, course) || cost === undefined || without !== null) return null;
    // Without it there are just those timetables that do leave it out.
    return String(-BigInt(cost));
  };

  const row = (one: WantedCourse) => {
    const inPlay = answer?.courses.find((other) => other.course === one.course);
    const held = heldOf(ask.wanted.indexOf(one));
    return (
      <WantedRow
        key={one.course}
        wanted={one}
        course={sections.courses.get(one.course)}
        ask={ask}
        colour={colours.get(one.course) ?? 1}
        offered={inPlay?.sections ?? null}
        inPlay={inPlay?.sectionsInPlay ?? null}
        held={held}
        timetables={held === null ? '' : details.timetables}
        isWithout={without === one.course}
        isOpen={open === one.course}
        details={open === one.course ? details : null}
        onOpen={onOpen}
        onWithout={onWithout}
        onPointSection={onPointSection}
        change={change}
      />
    );
  };

  return (
    <ul aria-label={wording.wantedCourses}>
      {ask.wanted.map((one) => {
        const choice = eitherOrOf(ask, one.course);
        if (!choice || choice.label === '') return row(one);
        // It stands as the requirement, where the first of its courses does.
        const isFirst =
          ask.wanted.find(({ course }) => choice.courses.includes(course))?.course === one.course;
        return (
          isFirst && (
            <RequirementRow
              key={choice.label}
              choice={choice}
              sections={sections}
              standings={details.standings}
              isOpen={openRequirement === choice.label || (open !== null && choice.courses.includes(open))}
              onOpen={(isOpen) => {
                setOpenRequirement(isOpen ? choice.label : null);
                if (!isOpen && open !== null && choice.courses.includes(open)) onOpen(null);
              }}
              change={change}
            >
              {ask.wanted.filter(({ course }) => choice.courses.includes(course)).map(row)}
            </RequirementRow>
          )
        );
      })}
    </ul>
  );
}
