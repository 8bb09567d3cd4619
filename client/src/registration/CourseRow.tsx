import { sayMeetings } from '@/grid/meetings';
import { colourOf } from '@/grid/classes';
import { placed } from '@/domain/useSections';
import type { PicksEdits } from '@/domain/usePicks';
import type { TermVisit } from '@/domain/useTermVisit';
import type { CourseState } from './courseStates';
import { HeldActions } from './HeldActions';
import { OpenActions } from './OpenActions';
import { RowWhy } from './RowWhy';
import { SeatsLeft } from './SeatsLeft';
import { StateText } from './StateText';
import type { ChoiceView } from './useChoice';
import type { Registered } from './useRegistered';
import { WaitingActions } from './WaitingActions';

export type RowProps = {
  state: CourseState;
  visit: TermVisit;
  edits: PicksEdits;
  view: ChoiceView;
  registered: Registered;
};

/** What a state looks like beside its name, as its classes do on the week. */
const marks = {
  held: 'border border-on-course/35 border-t-4! border-t-moss!',
  sent: 'sent-edge',
  waiting: 'border-2 border-dashed border-ink',
  refused: 'refused-edge',
  planned: 'border border-on-course/35',
};

/** One course: its sections and hours, how it stands, why, and what to do. */
export function CourseRow(props: RowProps) {
  const { state, view } = props;
  const sections = placed(view.sections, state.sections);
  const course = view.sections.courses.get(state.course);
  const isOwn = state.kind === 'held' || state.kind === 'planned';
  return (
    <li
      data-course={state.course}
      data-state={state.kind}
      className="grid grid-cols-[14px_minmax(170px,1.1fr)_minmax(150px,0.9fr)_minmax(120px,0.6fr)_minmax(200px,1.6fr)_minmax(180px,0.8fr)] items-center gap-x-4 gap-y-1 border-t border-rule py-2.5 text-12 max-md:grid-cols-[14px_1fr] max-md:items-start print:py-1"
    >
      <span
        aria-hidden="true"
        className={`h-4 w-3.5 rounded-[2px] ${marks[state.kind]}`}
        style={isOwn ? { backgroundColor: colourOf(sections[0]?.colour ?? 1) } : undefined}
      />
      <div className="min-w-0">
        <p className="text-14">
          <span className="font-heavy">{state.course}</span> {course?.title}
        </p>
        <p className="text-mute tabular-nums">
          {sections.map(({ section }) => `${section.label} · ${section.number}`).join(', ') ||
            state.sections.join(', ')}
        </p>
      </div>
      <div className="max-md:col-start-2">
        {sections.map(({ section }) => (
          <p key={section.number} className="whitespace-nowrap max-md:whitespace-normal">
            {sayMeetings(section)}
          </p>
        ))}
      </div>
      <div className="max-md:col-start-2">
        <StateText state={state} />
        {(state.kind === 'planned' || state.kind === 'refused') && (
          <SeatsLeft sections={sections.map(({ section }) => section)} />
        )}
      </div>
      <div className="min-w-0 max-md:col-start-2">
        <RowWhy {...props} />
      </div>
      <div className="flex flex-wrap items-center justify-end gap-1 max-md:col-start-2 max-md:justify-start print:hidden">
        {state.kind === 'held' && <HeldActions {...props} />}
        {state.kind === 'waiting' && <WaitingActions {...props} />}
        {(state.kind === 'planned' || state.kind === 'refused') && <OpenActions {...props} />}
      </div>
    </li>
  );
}
