import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import type { Answer, Ask, NearestWeek, Sketch } from '@/api/client';
import { termsQuery } from '@/api/queries';
import { countOf, knownTimetables } from '@/lib/count';
import { goneFrom, LetGo } from '@/sketch/ChangedSections';
import { type Rule } from '@/sketch/rules';
import type { Sections } from '@/sketch/useSections';
import type { Edits } from '@/sketch/useSketchEdits';
import type { Walk } from '@/sketch/useWalk';
import { Button } from '@/ui/Button';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { Facts } from './Facts';
import { NoneFound } from './NoneFound';
import { sampleStartsOf } from './sampleStarts';
import type { ShortlistDesk } from './useShortlist';
import { useToldWalk } from './useToldWalk';
import { WhatMatters } from './WhatMatters';

type Props = {
  sketch: Sketch;
  walk: Walk;
  /** What the answer in view answers, drags and all. */
  ask: Ask;
  rules: readonly Rule[];
  edits: Edits;
  /** Changes what the answer in view answers, hours that are only looked at among it. */
  changeAsked: (edit: (ask: Ask) => Ask) => void;
  isDrafting: boolean;
  nearest: NearestWeek | null;
  onTakeNearest: () => void;
  /** Weights that are being moved; null while none is. */
  weighed: Ask['weights'] | null;
  onWeigh: (weights: Ask['weights'] | null) => void;
  byHand: boolean;
  onByHand: (byHand: boolean) => void;
  onFindCourse: () => void;
  onShowRule: (path: string) => void;
  onLookAlikes: () => void;
  onSheet: () => void;
  shortlist: ShortlistDesk;
  sections: Sections;
  /** The timetable in view day by day, for those who hear it. */
  told: string;
  grid: ReactNode;
  reel: ReactNode;
};

/** What is possible: the facts, the hour grid with the timetable in view, and the reel. */
export function Possible(props: Props) {
  const { sketch, walk, ask, rules, edits, isDrafting, byHand, told, grid, reel } = props;
  const { answer, inView } = walk;
  const toldWalk = useToldWalk(walk);

  if (!answer)
    return walk.problem && goneFrom(sketch).length > 0 ? (
      <main className="flex flex-1">
        <Message title="A section you keep is gone from the catalogue." heading="h1">
          <p>No timetable can have it. Stop keeping it, and the others are shown.</p>
          <LetGo sketch={sketch} edits={edits} />
        </Message>
      </main>
    ) : walk.problem ? (
      <Failure what="This could not be answered." problem={walk.problem} onRetry={walk.retry} />
    ) : (
      <Loading />
    );

  const isEmpty = !isInPlay(ask);
  return (
    <main className="relative flex min-h-0 min-w-0 flex-1 flex-col overflow-y-auto print:overflow-visible">
      {walk.problem && <NotAnswered problem={walk.problem} onRetry={walk.retry} />}
      {isEmpty ? (
        <h1 className="sr-only">Workbench</h1>
      ) : (
        <Facts
          term={sketch.term}
          answer={answer}
          known={walk.known ?? answer}
          isDrafting={isDrafting}
          inView={inView}
          isInViewOld={walk.isInViewOld}
          listed={walk.listed}
          isSureOfBest={walk.isSureOfBest}
          alike={walk.alike}
          onGo={walk.go}
          onLookAlikes={props.onLookAlikes}
          byHand={byHand}
          onByHand={props.onByHand}
          putBy={sketch.shortlist.length}
          shortlist={props.shortlist}
          sections={props.sections}
        />
      )}
      {props.shortlist.problem !== null && (
        <div
          role="alert"
          className="flex items-center gap-3 border-b border-brick bg-sheet px-4 py-1.5 text-12 print:hidden"
        >
          <p className="flex-1">{props.shortlist.problem}</p>
          <Button look="quiet" onClick={props.shortlist.forgetProblem}>
            Dismiss
          </Button>
        </div>
      )}
      {grid}
      {/* Under the grid, never in place of it: a drag that leaves none must not move the grid under the pointer. */}
      <div className="flex h-[190px] shrink-0 border-t border-rule bg-paper max-md:h-auto max-md:flex-col print:hidden">
        {isEmpty ? (
          <FirstThing
            term={sketch.term}
            hasWanted={ask.wanted.length > 0}
            onFindCourse={props.onFindCourse}
            change={edits.change}
          />
        ) : walk.isNone ? (
          <div className="flex min-w-0 flex-1 overflow-auto">
            <NoneFound
              ask={ask}
              answer={answer}
              rules={rules}
              canUndo={sketch.canUndo}
              onUndo={edits.undo}
              change={props.changeAsked}
              onShowRule={props.onShowRule}
              nearest={props.nearest}
              onTakeNearest={props.onTakeNearest}
            />
          </div>
        ) : (
          <>
            <div className="w-[316px] shrink-0 border-r border-rule px-3 py-1 max-md:w-auto max-md:border-r-0 max-md:border-b">
              <WhatMatters
                weights={props.weighed ?? sketch.ask.weights}
                onWeigh={props.onWeigh}
                change={edits.change}
                onSheet={props.onSheet}
              />
            </div>
            <div className="flex min-w-0 flex-1 max-md:h-[190px] max-md:flex-none">{reel}</div>
          </>
        )}
      </div>
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
  return answer.isExact ? `${timetables} in ${countOf(answer.weekShapes, 'week shape')}` : timetables;
}

function isInPlay(ask: Ask): boolean {
  return ask.wanted.some((wanted) => wanted.role !== 'setAside') || ask.eitherOr.length > 0;
}

type FirstProps = {
  term: string;
  hasWanted: boolean;
  onFindCourse: () => void;
  change: (edit: (ask: Ask) => Ask) => void;
};

function FirstThing({ term, hasWanted, onFindCourse, change }: FirstProps) {
  const terms = useQuery(termsQuery);
  const starts = hasWanted ? [] : sampleStartsOf(terms.data?.institution ?? '', term);
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
      {starts.length > 0 && (
        <div
          role="group"
          aria-label="Starting points"
          className="flex flex-wrap items-center justify-center gap-2"
        >
          <span className="text-12 max-md:basis-full">Or look around as</span>
          {starts.map(({ name, courses, start }) => (
            <Button key={name} title={courses} onClick={() => change(start)}>
              {name}
            </Button>
          ))}
        </div>
      )}
    </Message>
  );
}

/** Laid over the facts of the answer before: nothing may move under a pointer that is dragging. */
function NotAnswered({ problem, onRetry }: { problem: Error; onRetry: () => void }) {
  return (
    <div
      role="alert"
      className="absolute inset-x-0 top-0 z-30 flex min-h-[62px] items-center gap-3 border-b border-brick bg-sheet px-4 py-2 text-12"
    >
      <p className="flex-1">
        <span className="font-heavy text-brick">Not answered.</span> {problem.message} What you see is the
        answer before.
      </p>
      <Button onClick={onRetry}>Try again</Button>
    </div>
  );
}
