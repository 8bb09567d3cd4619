import type { Ask, Course } from '@/api/client';
import { sayMode } from '@/wording/modes';
import { type CourseLimits as Limits, limitCourse, wantedOf } from './edits';
import { useCampusNames } from './useCampusNames';
import { Popover } from '@/ui/Popover';
import { ValueList } from '@/ui/ValueList';
import { wording } from '@/wording/domain/CourseLimits';
import { joinOr } from '@/wording/lists';

type Props = { course: Course; ask: Ask; change: (edit: (ask: Ask) => Ask) => void };

const seatsChoices = [
  { value: null, label: wording.seatsAsSketchSays },
  { value: 'open', label: wording.sectionsWithFreeSeat },
  { value: 'waitlist', label: wording.sectionsWithSeatOrWaitlist },
  { value: 'any', label: wording.fullSectionsToo },
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
      <span className="text-mute">{wording.forCourseAlone}</span>
      <Limit name={wording.seats} text={seats.label} isSet={seats.value !== null}>
        <fieldset>
          <legend className="mb-1 text-12 text-mute">{wording.whichSectionsMayBeTaken}</legend>
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
          name={wording.campus}
          text={joinOr((wanted?.campuses ?? []).map(campusName)) || wording.anyCampus}
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
          name={wording.deliveryMode}
          text={joinOr((wanted?.modes ?? []).map(sayMode)) || wording.anyMode}
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
          name={wording.instructors}
          text={joinOr(wanted?.instructors ?? []) || wording.anyInstructor}
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
          aria-label={wording.nameTextChange(name, text)}
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
