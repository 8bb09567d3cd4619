import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import type { Ask, Ranked } from '@/api/client';
import type { Axis } from '@/grid/axis';
import { type Sections } from '@/domain/useSections';
import { Button } from '@/ui/Button';
import { ShapeCard } from './ShapeCard';
import { useShapes } from './useShapes';
import { wording } from '@/wording/workbench/Reel';
import { common } from '@/wording/common';

const cardWidth = 166;

type Props = {
  ask: Ask;
  /** How many week shapes are listed. */
  listed: number;
  inView: Ranked;
  sections: Sections;
  axis: Axis;
  weekCount: number;
  onGo: (index: number) => void;
  onLookAlikes: () => void;
};

/** The week shapes in the student's own order, each a small picture. */
export function Reel({ ask, listed, inView, sections, axis, weekCount, onGo, onLookAlikes }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    horizontal: true,
    count: listed,
    getScrollElement: () => scroller.current,
    estimateSize: () => cardWidth,
    overscan: 4,
    paddingStart: 12,
    paddingEnd: 12,
    scrollPaddingStart: 12,
    scrollPaddingEnd: 12,
  });
  const cards = virtual.getVirtualItems();
  const { shapes, problem, retry } = useShapes(
    ask,
    cards.map((card) => card.index),
  );
  const index = inView.rank - 1;
  useEffect(() => {
    virtual.scrollToIndex(index, { align: 'auto' });
  }, [virtual, index]);

  return (
    <section aria-label={wording.weekShapes} className="relative min-w-0 flex-1">
      {problem && (
        <div
          role="alert"
          className="absolute inset-x-3 top-2 z-10 flex items-center gap-3 border border-brick bg-sheet px-3 py-1 text-12"
        >
          <p className="min-w-0 flex-1">{wording.notAllWeekShapesCould(problem.message)}</p>
          <Button onClick={retry}>{common.tryAgain}</Button>
        </div>
      )}
      <div ref={scroller} tabIndex={-1} className="h-full overflow-x-auto overflow-y-hidden">
        <ul className="relative h-full" style={{ width: virtual.getTotalSize() }}>
          {cards.map((card) => (
            <li
              key={card.key}
              className="absolute top-2.5 bottom-2.5"
              style={{ width: cardWidth - 9, transform: `translateX(${card.start}px)` }}
            >
              <ShapeCard
                index={card.index}
                shape={shapes.get(card.index) ?? null}
                isInView={card.index === index}
                weights={ask.weights}
                sections={sections}
                axis={axis}
                weekCount={weekCount}
                onGo={onGo}
                onLookAlikes={onLookAlikes}
              />
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}
