import { useQuery } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState } from 'react';
import type { Answer, Ask, Ranked } from '@/api/client';
import { spreadQuery } from '@/api/answerQueries';
import type { Axis } from '@/grid/axis';
import { sayCount, sayLeast } from '@/wording/counts';
import { isSame } from '@/lib/isSame';
import type { Sections } from '@/domain/useSections';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { ShapeCard } from './ShapeCard';
import { anyFacts, suits } from './shapeFacts';
import { ShapeFilters } from './ShapeFilters';
import { useAllShapes, useShapes } from './useShapes';
import { wording } from '@/wording/workbench/Sheet';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';

const cardWidth = 166;
const cardHeight = 178;
const mostDifferent = 12;

type Props = {
  ask: Ask;
  listed: number;
  answer: Answer;
  inView: Ranked | null;
  sections: Sections;
  axis: Axis;
  weekCount: number;
  onGo: (index: number) => void;
  onLookAlikes: () => void;
  onClose: () => void;
};

/** All listed week shapes laid out, to be filtered by facts, or those that differ most. */
export function Sheet(props: Props) {
  const { ask, listed, answer, inView, sections, axis, weekCount, onGo, onLookAlikes, onClose } = props;
  const [facts, setFacts] = useState(anyFacts);
  const [isSpread, setSpread] = useState(false);
  const isFiltered = !isSame(facts, anyFacts);
  const looked = useAllShapes(ask, listed, isFiltered && !isSpread);
  const spread = useQuery({ ...spreadQuery(ask, mostDifferent), enabled: isSpread });
  const source = isSpread ? (spread.data ?? []) : looked.all;
  // Where nothing is filtered all are shown, and only those in view are fetched.
  const found = isFiltered || isSpread ? source.filter((one) => suits(one, facts, sections)) : null;
  const isLoading = isSpread ? spread.isPending : isFiltered && !looked.isWhole;

  const scroller = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const columns = Math.max(1, Math.floor(width / cardWidth));
  const virtual = useVirtualizer({
    count: Math.ceil((found?.length ?? listed) / columns),
    getScrollElement: () => scroller.current,
    estimateSize: () => cardHeight,
    overscan: 3,
  });
  const rows = virtual.getVirtualItems();
  const inRow = (row: number) => {
    const first = row * columns;
    return Array.from({ length: Math.min(columns, (found?.length ?? listed) - first) }, (_, i) => first + i);
  };
  const { shapes, ...fetched } = useShapes(ask, found ? [] : rows.flatMap((row) => inRow(row.index)));
  const problem = isSpread ? spread.error : isFiltered ? looked.problem : fetched.problem;
  const retry = isSpread ? () => void spread.refetch() : isFiltered ? looked.retry : fetched.retry;

  return (
    <Dialog open onOpenChange={onClose} title={wording.allWeekShapes} wide>
      <div className="flex h-[min(74dvh,44rem)] flex-col">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-hair pb-2 text-12">
          <ShapeFilters facts={facts} gridDays={axis.days} onChange={setFacts} />
          <Button aria-pressed={isSpread} onClick={() => setSpread(!isSpread)}>
            {wording.mostDifferent}
          </Button>
          <p role="status" className="ml-auto text-mute">
            {isLoading && !problem
              ? isSpread
                ? wording.loading
                : wording.foundOfLooked(
                    sayCount(found?.length ?? 0),
                    sayCount(looked.all.length),
                    sayCount(listed),
                  )
              : sayShown(
                  found?.length ?? listed,
                  isSpread ? source.length : listed,
                  listed,
                  answer,
                  isSpread,
                )}
          </p>
        </div>
        {problem && (
          <div role="alert" className="flex items-center gap-3 border-b border-brick px-1 py-1.5 text-12">
            <p className="min-w-0 flex-1">{wording.notAllWeekShapesCould(problem.message)}</p>
            <Button onClick={retry}>{common.tryAgain}</Button>
          </div>
        )}
        <div
          ref={(element) => {
            scroller.current = element;
            if (element && element.clientWidth !== width) setWidth(element.clientWidth);
          }}
          className="min-h-0 flex-1 overflow-y-auto pt-2"
        >
          {!isLoading && found?.length === 0 && (
            <div className="py-8 text-center text-mute">
              <p>{wording.noListedWeekShapeAll}</p>
              <Button look="quiet" onClick={() => setFacts(anyFacts)}>
                {wording.showAllAgain}
              </Button>
            </div>
          )}
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {rows.map((row) => (
              <ul
                key={row.key}
                className="absolute inset-x-0 flex gap-2"
                style={{ height: cardHeight - 9, transform: `translateY(${row.start}px)` }}
              >
                {inRow(row.index).map((at) => {
                  const one = found ? found[at]! : (shapes.get(at) ?? null);
                  const index = one ? one.rank - 1 : at;
                  return (
                    <li key={index} style={{ width: cardWidth - 9 }}>
                      <ShapeCard
                        index={index}
                        shape={one}
                        isInView={index + 1 === inView?.rank}
                        weights={ask.weights}
                        sections={sections}
                        axis={axis}
                        weekCount={weekCount}
                        onGo={(to) => {
                          onGo(to);
                          onClose();
                        }}
                        onLookAlikes={onLookAlikes}
                      />
                    </li>
                  );
                })}
              </ul>
            ))}
          </div>
        </div>
      </div>
    </Dialog>
  );
}

function sayShown(shown: number, of: number, listed: number, answer: Answer, isSpread: boolean): string {
  const { weekShapes, isExact } = answer;
  if (isSpread) return wording.differMostOfBest(shown, sayCount(listed));
  const isAll = isExact && listed === Number(weekShapes);
  const all = isAll ? sayCount(listed) : wording.bestOf(sayCount(listed), sayLeast(weekShapes, isExact));
  return shown === of
    ? `${all} ${listed === 1 ? wording.weekShape : wording.weekShapes}`
    : wording.weekShapesAll(counted.weekShapes(shown), all);
}
