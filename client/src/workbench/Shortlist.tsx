import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Sketch, Term } from '@/api/client';
import { putByQuery } from '@/api/putByQueries';
import { axisFor } from '@/grid/axis';
import { classesOf } from '@/grid/classes';
import { movedTo, coursesOf } from '@/domain/shortlist';
import type { Rule } from '@/domain/rules';
import { UndoRedo } from '@/domain/UndoRedo';
import { useCourseColours } from '@/domain/useCourseColours';
import { useSections } from '@/domain/useSections';
import type { Edits } from '@/domain/useSketchEdits';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { ShortlistRow } from './ShortlistRow';
import type { ShortlistActions } from './useShortlist';
import { wording } from '@/wording/workbench/Shortlist';
import { common } from '@/wording/common';

type Props = {
  term: Term;
  sketch: Sketch;
  rules: readonly Rule[];
  edits: Edits;
  actions: ShortlistActions;
  onClose: () => void;
};

/** The timetables put by: name, note and order, and how each stands against the rules and the catalogue of now. */
export function Shortlist({ term, sketch, rules, edits, actions, onClose }: Props) {
  const { shortlist, ask } = sketch;
  const courses = useMemo(
    () => [...new Set([...ask.wanted.map((one) => one.course), ...shortlist.flatMap(coursesOf)])],
    [ask.wanted, shortlist],
  );
  const colours = useCourseColours(sketch.id, courses);
  const sections = useSections(term.id, colours);
  const axis = useMemo(() => axisFor(classesOf([...sections.byNumber.values()])), [sections]);
  const states = useQuery({ ...putByQuery(ask, shortlist), enabled: shortlist.length > 0 });
  const close = () => {
    actions.forgetProblem();
    onClose();
  };
  return (
    <Dialog open onOpenChange={close} title={wording.shortlist} wide isForReading>
      {(shortlist.length > 0 || sketch.canUndo) && (
        <div className="-mt-1 mb-1 flex items-center gap-1">
          <UndoRedo sketch={sketch} edits={edits} />
        </div>
      )}
      {actions.problem !== null && (
        <p role="alert" className="mb-2 text-12 text-brick">
          {actions.problem}
        </p>
      )}
      {states.isError && (
        <p role="alert" className="mb-2 text-12 text-brick">
          {wording.whatBecameOfCould(states.error.message)}
          <Button look="quiet" onClick={() => void states.refetch()}>
            {common.tryAgain}
          </Button>
        </p>
      )}
      {shortlist.length === 0 ? (
        <p className="max-w-prose py-4 text-mute">
          {wording.nothingOnShortlistYetWalk}
          <kbd>{wording.s}</kbd>
          {wording.andStaysHereWithName}
        </p>
      ) : (
        <ol aria-label={wording.timetablesOnShortlist}>
          {shortlist.map((one, i) => (
            <ShortlistRow
              key={one.id}
              one={one}
              state={states.data?.[i] ?? null}
              sketch={sketch}
              rules={rules}
              sections={sections}
              axis={axis}
              weekCount={term.weeks}
              edits={edits}
              actions={actions}
              isNaming={one.id === actions.naming}
              onMove={(by) => edits.changeShortlist((now) => movedTo(now, i, i + by))}
              onShown={close}
            />
          ))}
        </ol>
      )}
    </Dialog>
  );
}
