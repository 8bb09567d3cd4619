import { useMemo, useState } from 'react';
import { axisFitting } from '@/grid/axis';
import { classesOf, type GridClass } from '@/grid/classes';
import { tellWeek } from '@/grid/tellWeek';
import { WeekView } from '@/grid/WeekView';
import type { PicksEdits } from '@/domain/usePicks';
import { placed } from '@/domain/useSections';
import type { TermVisit } from '@/domain/useTermVisit';
import { useUndoKeys } from '@/lib/useUndoKeys';
import { Scroller } from '@/ui/Scroller';
import { CourseByCourse } from './CourseByCourse';
import type { CourseState } from './courseStates';
import { Heading } from './Heading';
import { History } from './History';
import { RecordToKeep } from './RecordToKeep';
import { Second } from './Second';
import { SectionTable } from './SectionTable';
import { standingOf } from './standings';
import { TurnBar } from './TurnBar';
import { Unsent } from './Unsent';
import { useChoice } from './useChoice';
import { useRegistered, type useStanding } from './useRegistered';
import { wording } from '@/wording/registration/RegisteredPage';

type Props = {
  visit: TermVisit;
  edits: PicksEdits;
  standing: NonNullable<ReturnType<typeof useStanding>['data']>;
};

/** What is planned, sent, held, waited for and refused: the week, and course by course with what to do. */
export function RegisteredPage({ visit, edits, standing }: Props) {
  const { term } = visit;
  const { choice } = edits.picks;
  const others = useMemo(
    () => [
      ...new Set([
        ...standing.standing.held.map((one) => one.course),
        ...standing.standing.waiting.map((one) => one.course),
        ...standing.presses.flatMap((press) => press.lines.map((line) => line.course)),
      ]),
    ],
    [standing],
  );
  const view = useChoice(visit, choice, others);
  const order = view.survival?.sections.map((one) => one.number) ?? [];
  const registered = useRegistered(term.id, standing, edits.picks, choice, order);
  const { states } = registered;
  const classes = useMemo(() => classesOfStates(states, view.sections), [states, view.sections]);
  const axis = axisFitting(classes);
  const [open, setOpen] = useState<'history' | 'record' | null>(null);
  useUndoKeys(edits);
  return (
    <main className="flex min-h-0 flex-1 flex-col overflow-y-auto print:overflow-visible">
      <Heading
        visit={visit}
        edits={edits}
        view={view}
        registered={registered}
        onHistory={() => setOpen('history')}
        onRecord={() => setOpen('record')}
      />
      <Unsent pressing={registered.pressing} />
      <TurnBar term={term.id} registered={registered} />
      {!standing.isCurrent && (
        <p role="alert" className="border-b border-brick bg-sheet px-4 py-1.5 text-12 text-brick">
          {wording.registrarSilent}
        </p>
      )}
      <Scroller
        label={wording.week}
        className="flex min-h-[330px] shrink-0 print:min-h-0 print:overflow-visible"
      >
        <WeekView axis={axis} classes={classes} weekCount={term.weeks} label={wording.weekAsItStands} />
      </Scroller>
      <p className="sr-only">{tellWeek(axis, classes, term.weeks)}</p>
      <CourseByCourse visit={visit} edits={edits} view={view} registered={registered} />
      {choice && states.some((one) => one.kind === 'planned' || one.kind === 'refused') && (
        <>
          <SectionTable visit={visit} choice={choice} view={view} edits={edits} />
          <Second visit={visit} choice={choice} view={view} edits={edits} />
        </>
      )}
      {open === 'history' && (
        <History registration={standing} sections={view.sections} onClose={() => setOpen(null)} />
      )}
      {open === 'record' && (
        <RecordToKeep
          term={term}
          registration={standing}
          sections={view.sections}
          onClose={() => setOpen(null)}
        />
      )}
    </main>
  );
}

/** Every class drawn as it stands; of one section with two, as the one that is held. */
function classesOfStates(
  states: readonly CourseState[],
  sections: Parameters<typeof placed>[0],
): GridClass[] {
  const drawn = new Set<string>();
  return states.flatMap((state) => {
    const fresh = state.sections.filter((number) => !drawn.has(number));
    for (const number of fresh) drawn.add(number);
    const standing = standingOf(state);
    return classesOf(placed(sections, fresh)).map((one) => ({
      ...one,
      key: `${one.key} ${state.key}`,
      ...(standing && { standing }),
    }));
  });
}
