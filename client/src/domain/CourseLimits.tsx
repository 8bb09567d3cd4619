import type { Ask, Course } from '@/api/client';
import { sayMode } from '@/lib/modes';
import { type CourseLimits as Limits, limitCourse, wantedOf } from './edits';
import { useCampusNames } from './useCampusNames';
import { Popover } from '@/ui/Popover';
import { ValueList } from '@/ui/ValueList';

type Props = { course: Course; ask: Ask; change: (edit: (ask: Ask) => Ask) => void };

const seatsChoices = [
  { value: null, label: 'seats as the sketch says' },
  { value: 'open', label: 'sections with a free seat' },
  { value: 'waitlist', label: 'sections with a seat or a waitlist place' },
  { value: 'any', label: 'full sections too' },
];

/** Limits for this course alone, as a line one edits. */
export function CourseLimits({ course, ask, change }: Props) {
  const campusName = useCampusNames();
  const wanted = wantedOf(ask, course.id);
  const limit = (limits: Limits) => change((now) => limitCourse(now, course.id, limits));
  const of = <T,>(values: readonly T[]) => [...new Set(values)];
  const campuses = of(course.sections.flatMap((section) => section.campus ?? []));
  const modes = of(course.sections.map((section) => section.mode));
  const instructors = of(course.sections.flatMap((section) => section.instructors)).sort();
  const seats = seatsChoices.find((choice) => choice.value === (wanted?.seats ?? null))!;
  return (
    <div className="mt-2 flex flex-wrap items-baseline gap-x-1.5 gap-y-1 text-12">
      <span className="text-mute">For this course alone:</span>
      <Limit name="Seats" text={seats.label} isSet={seats.value !== null}>
        <fieldset>
          <legend className="mb-1 text-12 text-mute">Which sections may be taken</legend>
          {seatsChoices.map((choice) => (
            <label key={choice.label} className="flex items-center gap-2 py-1">
              <input
                type="radio"
                name="course-seats"
                checked={choice === seats}
                onChange={() => limit({ seats: choice.value })}
              />
              {choice.label}
            </label>
          ))}
        </fieldset>
      </Limit>
      {campuses.length > 1 && (
        <Limit
          name="Campus"
          text={wanted?.campuses.map(campusName).join(' or ') || 'any campus'}
          isSet={(wanted?.campuses.length ?? 0) > 0}
        >
          <ValueList
            all={campuses}
            say={campusName}
            chosen={wanted?.campuses ?? []}
            onChange={(values) => limit({ campuses: [...values] })}
          />
        </Limit>
      )}
      {modes.length > 1 && (
        <Limit
          name="Delivery mode"
          text={wanted?.modes.map(sayMode).join(' or ') || 'any mode'}
          isSet={(wanted?.modes.length ?? 0) > 0}
        >
          <ValueList
            all={modes}
            say={sayMode}
            chosen={wanted?.modes ?? []}
            onChange={(values) => limit({ modes: [...values] })}
          />
        </Limit>
      )}
      {instructors.length > 1 && (
        <Limit
          name="Instructors"
          text={wanted?.instructors.join(' or ') || 'any instructor'}
          isSet={(wanted?.instructors.length ?? 0) > 0}
        >
          <ValueList
            all={instructors}
            say={(name) => name}
            chosen={wanted?.instructors ?? []}
            onChange={(values) => limit({ instructors: [...values] })}
          />
        </Limit>
      )}
    </div>
  );
}

type LimitProps = { name: string; text: string; isSet: boolean; children: React.ReactNode };

function Limit({ name, text, isSet, children }: LimitProps) {
  return (
    <Popover
      label={name}
      trigger={
        <button
          type="button"
          aria-label={`${name}: ${text}. Change`}
          className={`border-b text-left ${isSet ? 'border-plum font-heavy text-plum' : 'border-dotted border-mute font-strong'}`}
        >
          {text}
        </button>
      }
    >
      {children}
    </Popover>
  );
}
