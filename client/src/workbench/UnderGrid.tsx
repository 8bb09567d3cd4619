import type { ReactNode } from 'react';
import type { Answer, Ask, NearestWeek, Sketch } from '@/api/client';
import type { Rule } from '@/domain/rules';
import type { Edits } from '@/domain/useSketchEdits';
import type { Walk } from '@/domain/useWalk';
import { FirstThing } from './FirstThing';
import { isInPlay } from './isInPlay';
import { NoneFound } from './NoneFound';

type Props = {
  sketch: Sketch;
  answer: Answer;
  walk: Walk;
  rules: readonly Rule[];
  edits: Edits;
  /** Changes what the answer in view answers, hours that are only looked at among it. */
  changeAsked: (edit: (ask: Ask) => Ask) => void;
  nearest: NearestWeek | null;
  onTakeNearest: () => void;
  onFindCourse: () => void;
  onShowRule: (path: string) => void;
  weights: ReactNode;
  reel: ReactNode;
};

/** Under the grid, never in place of it: a drag that leaves none must not move the grid under the pointer. */
export function UnderGrid(props: Props) {
  const { sketch, answer, walk, rules, edits, weights, reel } = props;
  return (
    <div className="flex h-[190px] shrink-0 border-t border-rule bg-paper max-md:h-auto max-md:flex-col print:hidden">
      {!isInPlay(walk.ask) ? (
        <FirstThing
          term={sketch.term}
          hasWanted={walk.ask.wanted.length > 0}
          onFindCourse={props.onFindCourse}
          change={edits.change}
        />
      ) : walk.isNone ? (
        <div className="flex min-w-0 flex-1 overflow-auto">
          <NoneFound
            ask={walk.ask}
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
            {weights}
          </div>
          <div className="flex min-w-0 flex-1 max-md:h-[190px] max-md:flex-none">{reel}</div>
        </>
      )}
    </div>
  );
}
