import type { Facets, Term } from '@/api/client';
import { type Day, daysOf } from '@/lib/days';
import { sayMode } from '@/wording/modes';
import { CreditsEditor } from './CreditsEditor';
import { HoursEditor } from './HoursEditor';
import type { Names, Side } from './narrowing';
import { DayToggles } from '@/ui/DayToggles';
import { ValueList } from '@/ui/ValueList';
import { wording } from '@/wording/catalogue/SideEditor';
import { common } from '@/wording/common';

type Props = {
  side: Side;
  values: readonly string[];
  facets: Facets;
  term: Term;
  names: Names;
  onChange: (values: readonly string[]) => void;
};

const seatsChoices = [
  { value: '', label: wording.fullOrNot },
  { value: 'waitlist', label: wording.withSeatOrWaitlistPlace },
  { value: 'open', label: wording.withFreeSeat },
];

const eligibleChoices = [
  { value: '', label: wording.allCourses },
  { value: 'yes', label: wording.thatIMayTake },
];

/** What one phrase of the sentence opens. */
export function SideEditor({ side, values, facets, term, names, onChange }: Props) {
  const list = (all: readonly string[], say: (value: string) => string = (value) => value) => (
    <ValueList all={all} say={say} chosen={values} onChange={onChange} />
  );
  switch (side) {
    case 'subject':
      return list(facets.subjects, names.subject);
    case 'attribute':
      return list(facets.attributes);
    case 'level':
      return list(facets.levels);
    case 'component':
      return list(facets.components);
    case 'instructor':
      return list(facets.instructors);
    case 'campus':
      return list(facets.campuses, names.campus);
    case 'mode':
      return list(facets.modes, sayMode);
    case 'part':
      return list(['whole', ...term.parts.map((part) => part.id)], names.part);
    case 'day':
      return <DaysEditor chosen={daysOf(values)} onChange={onChange} />;
    case 'hours':
      return <HoursEditor value={values[0] ?? null} onChange={(next) => onChange(next ? [next] : [])} />;
    case 'credits':
      return (
        <CreditsEditor
          value={values[0] ?? null}
          most={facets.mostCredits}
          onChange={(next) => onChange(next ? [next] : [])}
        />
      );
    case 'seats':
      return (
        <OneOf side={side} of={common.sections} choices={seatsChoices} values={values} onChange={onChange} />
      );
    case 'eligible':
      return (
        <OneOf
          side={side}
          of={wording.courses}
          choices={eligibleChoices}
          values={values}
          onChange={onChange}
        />
      );
  }
}

type OneOfProps = Pick<Props, 'side' | 'values' | 'onChange'> & {
  /** What is narrowed. */
  of: string;
  choices: readonly { value: string; label: string }[];
};

/** One value, or none. */
function OneOf({ side, of, choices, values, onChange }: OneOfProps) {
  return (
    <fieldset>
      <legend className="mb-1.5 text-12 text-mute">{of}</legend>
      {choices.map((choice) => (
        <label key={choice.value} className="flex items-center gap-2 py-1">
          <input
            type="radio"
            name={side}
            checked={(values[0] ?? '') === choice.value}
            onChange={() => onChange(choice.value === '' ? [] : [choice.value])}
          />
          {choice.label}
        </label>
      ))}
    </fieldset>
  );
}

function DaysEditor({ chosen, onChange }: { chosen: Day[]; onChange: (days: Day[]) => void }) {
  return (
    <fieldset>
      <legend className="mb-1.5 text-12 text-mute">{wording.sectionsMeetOnNo}</legend>
      <DayToggles label={common.days} chosen={chosen} onChange={onChange} />
      {chosen.length > 0 && (
        <button type="button" className="mt-2 text-12 font-strong text-plum" onClick={() => onChange([])}>
          {wording.anyDay}
        </button>
      )}
    </fieldset>
  );
}
