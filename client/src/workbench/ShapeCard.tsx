import { memo, useMemo } from 'react';
import type { Ask, Ranked } from '@/api/client';
import type { Axis } from '@/grid/axis';
import { classesOf } from '@/grid/classes';
import { WeekPicture } from '@/grid/WeekPicture';
import { countOf, sayCount } from '@/lib/count';
import { placed, type Sections } from '@/domain/useSections';
import { cardFacts } from '@/domain/facts';

type Props = {
  place: number;
  shape: Ranked | null;
  isInView: boolean;
  weights: Ask['weights'];
  sections: Sections;
  axis: Axis;
  weekCount: number;
  onGo: (place: number) => void;
  onLookAlikes: () => void;
};

/** A week shape as a small picture, with the facts that matter and how many timetables look like it. */
export const ShapeCard = memo(function ShapeCard(props: Props) {
  const { place, shape, isInView, weights, sections, axis, weekCount, onGo, onLookAlikes } = props;
  const numbers = shape?.sections;
  const classes = useMemo(() => classesOf(placed(sections, numbers ?? [])), [sections, numbers]);
  const facts = shape ? cardFacts(shape, weights) : [];
  const lines = [facts.slice(0, 2), facts.slice(2)].map((line) => line.join(' · '));
  const name = `N° ${sayCount(place + 1)}`;
  return (
    <div
      className={`relative flex h-full w-full flex-col rounded-[4px] bg-sheet ${
        isInView ? 'border-2 border-plum p-[7px]' : 'border border-rule p-2 hover:border-ink'
      }`}
    >
      <div className="mb-1 flex w-full justify-between text-12">
        <span className="font-heavy">{name}</span>
        {shape && shape.alike !== '1' && (
          <button
            type="button"
            onClick={() => {
              onGo(place);
              onLookAlikes();
            }}
            title="Show what tells them apart"
            className="relative z-10 text-mute underline decoration-dotted underline-offset-2 hover:text-ink"
          >
            {sayCount(shape.alike)} alike
            <span className="sr-only">, show what tells them apart</span>
          </button>
        )}
      </div>
      {shape && (
        <>
          <WeekPicture axis={axis} classes={classes} weekCount={weekCount} />
          <span className="mt-auto block w-full text-11 leading-snug text-mute" aria-hidden="true">
            {lines.map((line, i) => (
              <span key={i} className="block truncate" title={line}>
                {line}
              </span>
            ))}
          </span>
        </>
      )}
      <button
        type="button"
        aria-current={isInView}
        aria-label={shape ? `${name}, ${countOf(shape.alike, 'timetable')}, ${facts.join(', ')}` : name}
        onClick={() => onGo(place)}
        className="absolute inset-0 rounded-[4px]"
      />
    </div>
  );
});
