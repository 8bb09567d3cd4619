import { useMemo } from 'react';
import type { Ask, Sketch, Term, TimeBlock } from '@/api/client';
import type { Axis } from '@/grid/axis';
import { classesOf } from '@/grid/classes';
import { HourGrid } from '@/grid/HourGrid';
import type { BlocksDraft } from '@/grid/useBlockDrag';
import { countOf, sayCount } from '@/lib/count';
import { Button } from '@/ui/Button';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { goneFrom, LetGo } from '@/sketch/ChangedSections';
import { setRole } from '@/sketch/edits';
import { Facts } from './Facts';
import { NoHours } from './NoHours';
import { NoneFound } from './NoneFound';
import { Reel } from './Reel';
import { placed, type Sections } from '@/sketch/useSections';
import type { useSketchEdits } from '@/sketch/useSketchEdits';
import type { Walk } from '@/sketch/useWalk';

type Props = {
  term: Term;
  sketch: Sketch;
  walk: Walk;
  ask: Ask;
  sections: Sections;
  axis: Axis;
  blocks: readonly TimeBlock[];
  isDrafting: boolean;
  edits: ReturnType<typeof useSketchEdits>;
  onDraft: (draft: BlocksDraft | null) => void;
  onBlocks: (blocks: readonly TimeBlock[]) => void;
  onOpenBlock: (index: number) => void;
  onFindCourse: () => void;
};

/** What is possible: the facts, the hour grid with the timetable in view, and the reel. */
export function Possible(props: Props) {
  const { term, sketch, walk, ask, sections, axis, blocks, isDrafting, edits } = props;
  const { answer, inView } = walk;
  const inGrid = useMemo(() => placed(sections, inView?.sections ?? []), [sections, inView]);
  const classes = useMemo(() => classesOf(inGrid), [inGrid]);
  const musts = ask.wanted.filter((wanted) => wanted.role === 'must').map((wanted) => wanted.course);

  if (!answer)
    return walk.problem && goneFrom(sketch).length > 0 ? (
      <main className="flex flex-1">
        <Message title="A section you keep is gone from the catalogue." heading="h1">
          <p>No timetable can hold it. Let go of it, and the others are shown.</p>
          <LetGo sketch={sketch} edits={edits} />
        </Message>
      </main>
    ) : walk.problem ? (
      <Failure what="This could not be answered." problem={walk.problem} onRetry={walk.retry} />
    ) : (
      <Loading />
    );

  const isNone = BigInt(answer.timetables) === 0n;
  return (
    <main className="relative flex min-h-0 min-w-0 flex-1 flex-col overflow-y-auto">
      {walk.problem && <NotAnswered problem={walk.problem} onRetry={walk.retry} />}
      {musts.length > 0 ? (
        <Facts answer={answer} inView={inView} onStep={walk.step} />
      ) : (
        <h1 className="sr-only">Workbench</h1>
      )}
      <div className="flex min-h-[380px] flex-1 flex-col overflow-auto pb-2">
        <HourGrid
          axis={axis}
          classes={classes}
          weekCount={term.weeks}
          blocks={blocks}
          leaves={`leaves ${sayCount(answer.timetables)}`}
          leavesNone={isNone}
          onDraft={props.onDraft}
          onBlocks={props.onBlocks}
          onOpenBlock={props.onOpenBlock}
        />
        <NoHours sections={inGrid} />
      </div>
      {/* Under the grid, never in place of it: a drag that leaves none must not move the grid under the pointer. */}
      {inView ? (
        <Reel
          ask={walk.ask}
          answer={answer}
          inView={inView}
          sections={sections}
          axis={axis}
          weekCount={term.weeks}
          onGo={walk.go}
        />
      ) : (
        <div className="flex h-[190px] shrink-0 overflow-auto border-t border-rule">
          {musts.length === 0 ? (
            <FirstThing hasWanted={ask.wanted.length > 0} onFindCourse={props.onFindCourse} />
          ) : (
            <NoneFound
              answer={answer}
              musts={musts}
              hasBlocks={ask.timeBlocks.length > 0 || isDrafting}
              canUndo={sketch.canUndo}
              onUndo={edits.undo}
              onSetAside={(course) => edits.change((now) => setRole(now, course, 'setAside'))}
            />
          )}
        </div>
      )}
      <p aria-live="polite" className="sr-only">
        {musts.length === 0 || isDrafting
          ? ''
          : `${countOf(answer.timetables, 'timetable')} in ${countOf(answer.weekShapes, 'week shape')}`}
      </p>
    </main>
  );
}

function FirstThing({ hasWanted, onFindCourse }: { hasWanted: boolean; onFindCourse: () => void }) {
  return (
    <Message title={hasWanted ? 'No course is taken' : 'Start with a course you need'}>
      <p>
        {hasWanted
          ? 'All your courses are set aside. Make one a Must again, or add another.'
          : 'Type its code, and every timetable that can hold it appears on the grid.'}
      </p>
      <Button look="main" onClick={onFindCourse}>
        Add a course
      </Button>
    </Message>
  );
}

/** Laid over the facts of the answer before: nothing may move under a pointer that is dragging. */
function NotAnswered({ problem, onRetry }: { problem: Error; onRetry: () => void }) {
  return (
    <div role="alert" className="absolute inset-x-0 top-0 z-30 flex min-h-[62px] items-center gap-3 border-b border-brick bg-sheet px-4 py-2 text-12">
      <p className="flex-1">
        <span className="font-heavy text-brick">Not answered.</span> {problem.message} What you see is the answer
        before.
      </p>
      <Button onClick={onRetry}>Try again</Button>
    </div>
  );
}
