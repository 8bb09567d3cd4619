import { useState } from 'react';
import type { Ask, Course, Section, WantedCourse } from '@/api/client';
import { sayComponent } from '@/grid/classes';
import { sayMeetings } from '@/grid/meetings';
import { sayCount } from '@/wording/counts';
import { minuteOf } from '@/lib/time';
import { CourseLimits } from '@/domain/CourseLimits';
import { markSections } from '@/domain/edits';
import { saySeats } from '@/domain/seats';
import { Button } from '@/ui/Button';
import { MarkButton } from '@/ui/MarkButton';
import { wording } from '@/wording/workbench/CourseSections';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';

type Props = {
  course: Course;
  wanted: WantedCourse;
  ask: Ask;
  /** By registration number, in how many timetables it stands; null until it is known. */
  standings: Readonly<Record<string, string>> | null;
  timetables: string;
  change: (edit: (ask: Ask) => Ask) => void;
  onPointSection: (number: string | null) => void;
};

const evening = 17 * 60;

/** The sections of a wanted course, where each stands, and what is said of them, one or several at once. */
export function CourseSections(props: Props) {
  const { course, wanted, ask, standings, timetables, change, onPointSection } = props;
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const components = [...new Set(course.sections.map((section) => section.component))];
  const mark = (numbers: readonly string[], how: 'keep' | 'ruleOut' | null) =>
    change((now) => markSections(now, course.id, numbers, how));
  const choose = (suits: (section: Section) => boolean) =>
    setChosen(course.sections.filter(suits).map((section) => section.number));
  const markChosen = (how: 'keep' | 'ruleOut' | null) => {
    mark(chosen, how);
    setChosen([]);
  };
  return (
    <div className="mt-1.5 border-l-2 border-rule pl-2">
      <CourseLimits course={course} ask={ask} change={change} />
      <div className="mt-1.5 flex flex-wrap gap-x-2 text-12 text-mute">
        {wording.select}
        {components.length > 1 &&
          components.map((component) => (
            <Pick key={component} onClick={() => choose((section) => section.component === component)}>
              {wording.componentS(component)}
            </Pick>
          ))}
        <Pick
          onClick={() =>
            choose((one) => (chosen.length === 0 || chosen.includes(one.number)) && isEvening(one))
          }
        >
          {chosen.length === 0 ? wording.eveningOnes : wording.ofTheseEveningOnes}
        </Pick>
        <Pick onClick={() => choose(() => true)}>{wording.allSections}</Pick>
      </div>
      {chosen.length > 0 && (
        <div
          className="mt-1 flex flex-wrap items-center gap-1.5 text-12"
          role="group"
          aria-label={wording.sectionsSelected}
        >
          <span className="font-strong">{counted.sections(chosen.length)}:</span>
          <Button onClick={() => markChosen('keep')}>{common.keep}</Button>
          <Button onClick={() => markChosen('ruleOut')}>{common.ruleOut}</Button>
          <Button onClick={() => markChosen(null)}>{wording.neither}</Button>
        </div>
      )}
      <ul className="mt-1" aria-label={wording.sectionsOf(course.id)}>
        {course.sections.map((section) => (
          <SectionLine
            key={section.number}
            section={section}
            mark={
              wanted.keep.includes(section.number)
                ? 'keep'
                : wanted.ruleOut.includes(section.number)
                  ? 'ruleOut'
                  : null
            }
            standing={standings?.[section.number] ?? null}
            timetables={timetables}
            isChosen={chosen.includes(section.number)}
            onChoose={(isChosen) =>
              setChosen(
                isChosen ? [...chosen, section.number] : chosen.filter((other) => other !== section.number),
              )
            }
            onMark={(how) => mark([section.number], how)}
            onPoint={(isPointed) => onPointSection(isPointed ? section.number : null)}
          />
        ))}
      </ul>
    </div>
  );
}

function isEvening(section: Section): boolean {
  return section.meetings.some((meeting) => minuteOf(meeting.start) >= evening);
}

function Pick({ onClick, children }: { onClick: () => void; children: React.ReactNode }) {
  return (
    <button type="button" onClick={onClick} className="font-strong text-plum hover:underline">
      {children}
    </button>
  );
}

type LineProps = {
  section: Section;
  mark: 'keep' | 'ruleOut' | null;
  standing: string | null;
  timetables: string;
  isChosen: boolean;
  onChoose: (isChosen: boolean) => void;
  onMark: (mark: 'keep' | 'ruleOut' | null) => void;
  onPoint: (isPointed: boolean) => void;
};

function SectionLine(props: LineProps) {
  const { section, mark, standing, timetables, isChosen, onChoose, onMark, onPoint } = props;
  const isDead = standing === '0';
  const name = sayComponent(section);
  return (
    <li
      className="flex items-start gap-1.5 border-t border-hair py-1"
      onMouseEnter={() => onPoint(true)}
      onMouseLeave={() => onPoint(false)}
      onFocus={() => onPoint(true)}
      onBlur={() => onPoint(false)}
    >
      <input
        type="checkbox"
        checked={isChosen}
        onChange={(event) => onChoose(event.target.checked)}
        aria-label={wording.selectName(name)}
        className="mt-0.5 size-3.5 shrink-0 accent-plum"
      />
      <div className="min-w-0 flex-1 text-12">
        <div className={`flex gap-1.5 ${isDead || mark === 'ruleOut' ? 'text-mute' : ''}`}>
          <span className={`min-w-0 flex-1 truncate ${mark === 'ruleOut' ? 'line-through' : 'font-strong'}`}>
            {name}
          </span>
          <span className="shrink-0 tabular-nums">{sayStanding(standing, timetables)}</span>
        </div>
        <div className="text-mute">
          {sayMeetings(section)} · {saySeats(section)}
        </div>
      </div>
      <div className="flex shrink-0 gap-1">
        <MarkButton
          label={wording.keepName(name)}
          pressed={mark === 'keep'}
          onClick={() => onMark(mark === 'keep' ? null : 'keep')}
        >
          {common.keep}
        </MarkButton>
        <MarkButton
          label={wording.ruleOut(name)}
          pressed={mark === 'ruleOut'}
          onClick={() => onMark(mark === 'ruleOut' ? null : 'ruleOut')}
        >
          {wording.out}
        </MarkButton>
      </div>
    </li>
  );
}

/** Where a section stands: forced, dead, or in so many. */
function sayStanding(standing: string | null, timetables: string): string {
  if (standing === null) return '';
  if (standing === '0') return wording.inNone;
  return standing === timetables ? wording.inAll(sayCount(standing)) : wording.inStanding(sayCount(standing));
}
