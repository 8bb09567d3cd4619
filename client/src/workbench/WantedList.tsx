import type { Answer, Ask } from '@/api/client';
import type { Colour } from '@/grid/classes';
import { eitherOrOf, setTake } from '@/sketch/edits';
import { sayLimits } from '@/sketch/limits';
import { useCampusNames } from '@/sketch/useCampusNames';
import type { Sections } from '@/sketch/useSections';
import { CourseSections } from './CourseSections';
import type { Details } from './useDetails';
import { sayHeld, WantedRow } from './WantedRow';

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
  const { ask, answer, details, sections, colours, open, onOpen, without, onWithout, onPointSection, change } = props;
  const campusName = useCampusNames();

  const factsOf = (index: number) => {
    const one = ask.wanted[index]!;
    const inPlay = answer?.courses.find((other) => other.course === one.course);
    const choice = eitherOrOf(ask, one.course);
    if (!inPlay) return [];
    if ((one.role === 'setAside' && !choice) || without === one.course)
      return [{ text: `${inPlay.sections} sections, not taken`, isBad: false }];
    const facts = [
      {
        text: `${inPlay.sectionsInPlay} of ${inPlay.sections} sections in play`,
        isBad: inPlay.sectionsInPlay === 0,
      },
    ];
    const cost = details.costs?.[`wanted[${index}]`];
    // Without a course that may be left out there are just those timetables that do leave it out.
    if (one.role === 'ifItFits' && !choice && cost !== undefined && without === null)
      facts.unshift({ text: sayHeld(-BigInt(cost), details.timetables), isBad: cost === '0' });
    return facts;
  };

  return (
    <ul aria-label="Wanted courses">
      {ask.wanted.map((one, index) => {
        const course = sections.courses.get(one.course);
        const choice = eitherOrOf(ask, one.course);
        return (
          <WantedRow
            key={one.course}
            wanted={one}
            course={course}
            ask={ask}
            colour={colours.get(one.course) ?? 1}
            facts={factsOf(index)}
            isWithout={without === one.course}
            isOpen={open === one.course}
            onOpen={() => onOpen(open === one.course ? null : one.course)}
            onWithout={(isWithout) => onWithout(isWithout ? one.course : null)}
            change={change}
          >
            {sayLimits(ask, one, course, campusName).map((limit) => (
              <div key={limit} className="text-12 text-mute">
                {limit}
              </div>
            ))}
            {choice?.courses[0] === one.course && (
              <Take
                choice={choice}
                onChange={(take) => change((now) => setTake(now, one.course, take))}
              />
            )}
            {open === one.course && course && (
              <CourseSections
                course={course}
                wanted={one}
                ask={ask}
                standings={details.standings}
                timetables={details.timetables}
                change={change}
                onPointSection={onPointSection}
              />
            )}
          </WantedRow>
        );
      })}
    </ul>
  );
}

type EitherOr = Ask['eitherOr'][number];

/** How many courses of a choice are taken. */
function Take({ choice, onChange }: { choice: EitherOr; onChange: (take: EitherOr['take']) => void }) {
  const { min, max } = choice.take;
  const numbers = Array.from({ length: choice.courses.length + 1 }, (_, i) => i);
  const pick = (label: string, value: number, from: readonly number[], onPick: (value: number) => void) => (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onPick(Number(event.target.value))}
      className="rounded-[3px] border border-rule bg-sheet px-1"
    >
      {from.map((number) => (
        <option key={number} value={number}>
          {number}
        </option>
      ))}
    </select>
  );
  return (
    <div className="mt-1 flex items-center gap-1.5 text-12 text-mute" role="group" aria-label={`Either–or of ${choice.courses.join(', ')}`}>
      take
      {pick('At least', min, numbers, (value) => onChange({ min: value, max: Math.max(value, max) }))}
      to
      {pick('At most', max, numbers.slice(1), (value) => onChange({ min: Math.min(value, min), max: value }))}
      of {choice.courses.length}
    </div>
  );
}
