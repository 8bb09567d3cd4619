import { useQueries } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import type { Answer, Ask, Walked } from '@/api/client';
import { pageQuery, pageSize } from '@/api/queries';
import type { Axis } from '@/grid/axis';
import { classesOf } from '@/grid/classes';
import { WeekPicture } from '@/grid/WeekPicture';
import { countOf, sayCount } from '@/lib/count';
import { minuteOf, sayHours, sayLength } from '@/lib/time';
import { windowAround } from './reelWindow';
import { placed, type Sections } from '@/sketch/useSections';

const cardWidth = 166;
type Props = {
  ask: Ask;
  answer: Answer;
  inView: Walked;
  sections: Sections;
  axis: Axis;
  weekCount: number;
  onGo: (number: bigint) => void;
};

/** All week shapes in the order of the walk, each a small picture. */
export function Reel({ ask, answer, inView, sections, axis, weekCount, onGo }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const total = BigInt(answer.weekShapes);
  const shape = BigInt(inView.shape);
  const window = windowAround(shape, total);

  const virtual = useVirtualizer({
    horizontal: true,
    count: Number(window.count),
    getScrollElement: () => scroller.current,
    estimateSize: () => cardWidth,
    overscan: 4,
    paddingStart: 12,
    paddingEnd: 12,
    scrollPaddingStart: 12,
    scrollPaddingEnd: 12,
  });
  const cards = virtual.getVirtualItems();

  const pages = [...new Set(cards.map((card) => (window.first + BigInt(card.index)) / BigInt(pageSize)))];
  const shapes = useQueries({
    queries: pages.map((page) => pageQuery('week-shapes', ask, page)),
    combine: (results) =>
      new Map(
        results.flatMap(
          (result, i) =>
            result.data?.map((one, j) => [String(pages[i]! * BigInt(pageSize) + BigInt(j)), one] as const) ??
            [],
        ),
      ),
  });

  const index = Number(shape - window.first);
  useEffect(() => {
    virtual.scrollToIndex(index, { align: 'auto' });
  }, [virtual, index]);

  return (
    <section aria-label="Week shapes" className="relative h-[190px] shrink-0 border-t border-rule bg-paper">
      <div ref={scroller} tabIndex={-1} className="h-full overflow-x-auto overflow-y-hidden">
        <ul className="relative h-full" style={{ width: virtual.getTotalSize() }}>
          {cards.map((card) => {
            const number = window.first + BigInt(card.index);
            const one = shapes.get(String(number));
            return (
              <li
                key={card.key}
                className="absolute top-2.5 bottom-2.5"
                style={{ width: cardWidth - 9, transform: `translateX(${card.start}px)` }}
              >
                <Card
                  number={number}
                  shape={one ?? null}
                  isInView={number === shape}
                  sections={sections}
                  axis={axis}
                  weekCount={weekCount}
                  onChoose={() => one && onGo(BigInt(one.number))}
                />
              </li>
            );
          })}
        </ul>
      </div>
      {window.count < total && (
        <p className="absolute right-3 bottom-0.5 bg-paper px-1 text-11 text-mute">
          week shapes {sayCount(window.first + 1n)} to {sayCount(window.first + window.count)} of{' '}
          {sayCount(total)}
        </p>
      )}
    </section>
  );
}

type CardProps = {
  number: bigint;
  shape: Walked | null;
  isInView: boolean;
  sections: Sections;
  axis: Axis;
  weekCount: number;
  onChoose: () => void;
};

function Card({ number, shape, isInView, sections, axis, weekCount, onChoose }: CardProps) {
  return (
    <button
      type="button"
      aria-current={isInView}
      aria-label={shape ? sayCard(number, shape) : `Week shape ${sayCount(number + 1n)}`}
      onClick={onChoose}
      className={`flex h-full w-full flex-col rounded-[4px] bg-sheet text-left ${
        isInView ? 'border-2 border-plum p-[7px]' : 'border border-rule p-2 hover:border-ink'
      }`}
    >
      <span className="mb-1 flex w-full justify-between text-12">
        <span className="font-heavy">Shape {sayCount(number + 1n)}</span>
        {shape && BigInt(shape.alike) > 1n && (
          <span className="text-mute">{sayCount(shape.alike)} alike</span>
        )}
      </span>
      {shape && (
        <>
          <WeekPicture
            axis={axis}
            classes={classesOf(placed(sections, shape.sections))}
            weekCount={weekCount}
          />
          <span className="mt-auto block w-full text-11 leading-snug text-mute">
            {sayCardFacts(shape).map((line) => (
              <span key={line} className="block truncate">
                {line}
              </span>
            ))}
          </span>
        </>
      )}
    </button>
  );
}

function sayCardFacts({ measures }: Walked): string[] {
  const { earliestStart, latestEnd } = measures;
  return [
    `${countOf(measures.classDays, 'day')} · idle ${sayLength(measures.idleMinutes)}`,
    earliestStart && latestEnd ? sayHours(minuteOf(earliestStart), minuteOf(latestEnd)) : 'no set hours',
  ];
}

function sayCard(number: bigint, shape: Walked): string {
  return `Week shape ${sayCount(number + 1n)}, ${countOf(shape.alike, 'timetable')}, ${sayCardFacts(shape).join(', ')}`;
}
