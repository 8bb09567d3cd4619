import type { PicksEdits } from '@/domain/usePicks';
import type { TermVisit } from '@/domain/useTermVisit';
import { CourseRow } from './CourseRow';
import { answeredAfter, sentAt } from './pressTimes';
import { type CourseState, generalFindings, lacksSeat } from './courseStates';
import { FindingLine } from './FindingLine';
import { SeatNotices } from './SeatNotices';
import type { ChoiceView } from './useChoice';
import type { Registered } from './useRegistered';
import { wording } from '@/wording/registration/CourseByCourse';

type Props = { visit: TermVisit; edits: PicksEdits; view: ChoiceView; registered: Registered };

/** Every course with how it stands, why, and what to do. */
export function CourseByCourse(props: Props) {
  const { registered } = props;
  const last = registered.standing.presses.at(-1);
  const general = generalFindings(registered.states);
  const warnings = last?.answer?.warnings ?? [];
  return (
    <section aria-label={wording.courseByCourse} className="px-4 pt-3 pb-2 print:px-0">
      <h2 className="text-14 font-heavy">
        {wording.courseByCourse}
        <span className="ml-2 text-12 font-text text-mute">
          {last
            ? wording.sentAt(
                sentAt(last, registered.standing.aheadMs),
                answeredAfter(last),
                registered.standing.timeZone,
              )
            : wording.beforeSending}
        </span>
      </h2>
      {registered.problem && (
        <p role="alert" className="mt-1 text-12 text-brick">
          {registered.problem.message}
        </p>
      )}
      {last?.refused != null && (
        <p role="alert" className="mt-1 text-12 text-brick">
          {last.refused}
        </p>
      )}
      {warnings.map((warning) => (
        <p key={warning.kind + (warning.of ?? '')} className="mt-1 text-12 text-mute">
          {warning.sentence}
        </p>
      ))}
      {general.length > 0 && (
        <ul aria-label={wording.againstAll} className="mt-2 grid gap-1 border-l-2 border-brick pl-3 text-14">
          {general.map((finding) => (
            <FindingLine
              key={finding.kind + finding.sentence}
              finding={finding}
              course=""
              visit={props.visit}
              edits={props.edits}
            />
          ))}
        </ul>
      )}
      <ul aria-live="polite" className="mt-2">
        {registered.states.map((state) => (
          <CourseRow key={state.key} state={state} {...props} />
        ))}
      </ul>
      <SeatNotices term={props.visit.term.id} full={fullOf(registered.states)} />
    </section>
  );
}

/** Courses that lack a seat, with their sections in the choice. */
function fullOf(states: readonly CourseState[]): { course: string; sections: readonly string[] }[] {
  return states.filter(
    (state) => (state.kind === 'planned' || state.kind === 'refused') && lacksSeat(state.now),
  );
}
