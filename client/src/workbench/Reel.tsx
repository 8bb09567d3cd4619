import { useQueries } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Ask, Ranked } from '@/api/client';
import { pageSize, shapesQuery } from '@/api/answerQueries';
import type { Axis } from '@/grid/axis';
import { type Sections } from '@/sketch/useSections';
import { ShapeCard } from './ShapeCard';

const cardWidth = 166;

type Props = {
  ask: Ask;
  /** How many week shapes are listed. */
  listed: number;
  inView: Ranked;
  sections: Sections;
  axis: Axis;
  weekCount: number;
  onGo: (place: number) => void;
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
  const shapes = useShapes(
    ask,
    cards.map((card) => card.index),
  );
  const index = inView.rank - 1;
  useEffect(() => {
    virtual.scrollToIndex(index, { align: 'auto' });
  }, [virtual, index]);

  return (
    <section aria-label="Week shapes" className="relative min-w-0 flex-1">
      <div ref={scroller} tabIndex={-1} className="h-full overflow-x-auto overflow-y-hidden">
        <ul className="relative h-full" style={{ width: virtual.getTotalSize() }}>
          {cards.map((card) => (
            <li
              key={card.key}
              className="absolute top-2.5 bottom-2.5"
              style={{ width: cardWidth - 9, transform: `translateX(${card.start}px)` }}
            >
              <ShapeCard
                place={card.index}
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

/** The week shapes at some places; while those of a newer ask are on their way, the ones before stand there. */
export function useShapes(ask: Ask, places: readonly number[]): ReadonlyMap<number, Ranked> {
  const pages = [...new Set(places.map((place) => Math.floor(place / pageSize)))];
  const loaded = useQueries({
    queries: pages.map((page) => shapesQuery(ask, page)),
    combine: (results) => results.map((result) => result.data),
  });
  const shapes = useMemo(
    () => new Map(loaded.flatMap((page) => page?.timetables.map((one) => [one.rank - 1, one] as const) ?? [])),
    [loaded],
  );
  const [before, setBefore] = useState(shapes);
  if (shapes.size > 0 && shapes !== before) setBefore(shapes);
  return shapes.size > 0 ? shapes : before;
}
