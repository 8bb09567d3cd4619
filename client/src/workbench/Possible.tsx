import type { ReactNode } from 'react';
import type { Answer, Sketch } from '@/api/client';
import { knownTimetables } from '@/wording/counts';
import { goneFrom, LetGo } from '@/domain/ChangedSections';
import type { Edits } from '@/domain/useSketchEdits';
import type { Walk } from '@/domain/useWalk';
import { Button } from '@/ui/Button';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { isInPlay } from './isInPlay';
import type { ShortlistActions } from './useShortlist';
import { useToldWalk } from './useToldWalk';
import { wording } from '@/wording/workbench/Possible';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';

type Props = {
  sketch: Sketch;
  walk: Walk;
  edits: Edits;
  isDrafting: boolean;
  /** Why the last change of the shortlist was not made. */
  shortlist: ShortlistActions;
  /** The timetable in view day by day, for those who hear it. */
  told: string;
  facts: (answer: Answer) => ReactNode;
  grid: ReactNode;
  under: (answer: Answer) => ReactNode;
};

/** What is possible: the facts, the hour grid with the timetable in view, and what is under it. */
export function Possible({ sketch, walk, edits, isDrafting, shortlist, told, facts, grid, under }: Props) {
  const { answer } = walk;
  const toldWalk = useToldWalk(walk);

  if (!answer)
    return walk.problem && goneFrom(sketch).length > 0 ? (
      <main className="flex flex-1">
        <Message title={wording.sectionKeepGoneFromCatalogue} heading="h1">
          <p>{wording.noTimetableCanStopKeeping}</p>
          <LetGo sketch={sketch} edits={edits} />
        </Message>
      </main>
    ) : walk.problem ? (
      <Failure what={wording.couldNotBeAnswered} problem={walk.problem} onRetry={walk.retry} />
    ) : (
      <Loading />
    );

  const isEmpty = !isInPlay(walk.ask);
  return (
    <main className="relative flex min-h-0 min-w-0 flex-1 flex-col overflow-y-auto print:overflow-visible">
      {walk.problem && <NotAnswered problem={walk.problem} onRetry={walk.retry} />}
      {isEmpty ? <h1 className="sr-only">{wording.workbench}</h1> : facts(answer)}
      {shortlist.problem !== null && (
        <div
          role="alert"
          className="flex items-center gap-3 border-b border-brick bg-sheet px-4 py-1.5 text-12 print:hidden"
        >
          <p className="flex-1">{shortlist.problem}</p>
          <Button look="quiet" onClick={shortlist.forgetProblem}>
            {common.dismiss}
          </Button>
        </div>
      )}
      {grid}
      {under(answer)}
      <p aria-live="polite" className="sr-only">
        {isEmpty || isDrafting || walk.isBehind ? '' : tellCount(answer)}
      </p>
      <p className="sr-only">{told}</p>
      <p aria-live="polite" className="sr-only">
        {toldWalk}
      </p>
    </main>
  );
}

function tellCount(answer: Answer): string {
  const timetables = knownTimetables(answer);
  return answer.isExact
    ? wording.timetablesWeekShapes(timetables, counted.weekShapes(answer.weekShapes))
    : timetables;
}

/** Laid over the facts of the answer before: nothing may move under a pointer that is dragging. */
function NotAnswered({ problem, onRetry }: { problem: Error; onRetry: () => void }) {
  return (
    <div
      role="alert"
      className="absolute inset-x-0 top-0 z-30 flex min-h-[62px] items-center gap-3 border-b border-brick bg-sheet px-4 py-2 text-12"
    >
      <p className="flex-1">
        <span className="font-heavy text-brick">{wording.notAnswered}</span>
        {wording.whatSeeAnswerBefore(problem.message)}
      </p>
      <Button onClick={onRetry}>{common.tryAgain}</Button>
    </div>
  );
}
