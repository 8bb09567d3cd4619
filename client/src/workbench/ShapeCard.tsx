import { memo, useMemo } from 'react';
import type { Ask, Ranked } from '@/api/client';
import type { Axis } from '@/grid/axis';
import { classesOf } from '@/grid/classes';
import { WeekPicture } from '@/grid/WeekPicture';
import { sayCount } from '@/wording/counts';
import { placed, type Sections } from '@/domain/useSections';
import { cardFacts } from '@/domain/facts';
import { wording } from '@/wording/workbench/ShapeCard';
import { counted } from '@/wording/counted';

type Props = {
  index: number;
  shape: Ranked | null;
  isInView: boolean;
  weights: Ask['weights'];
  sections: Sections;
  axis: Axis;
  weekCount: number;
  onGo: (index: number) => void;
  onLookAlikes: () => void;
};

/** A week shape as a small picture, with the facts that matter and how many timetables look like it. */
export const ShapeCard = memo(function ShapeCard(props: Props) {
  const { index, shape, isInView, weights, sections, axis, weekCount, onGo, onLookAlikes } = props;
  const numbers = shape?.sections;
  const classes = useMemo(() => classesOf(placed(sections, numbers ?? [])), [sections, numbers]);
  const facts = shape ? cardFacts(shape, weights) : [];
  const lines = [facts.slice(0, 2), facts.slice(2)].map((line) => line.join(' · '));
  const name = `N° ${sayCount(index + 1)}`;
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
              onGo(index);
              onLookAlikes();
            }}
            title={wording.showWhatTellsApart}
            className="relative z-10 text-mute underline decoration-dotted underline-offset-2 hover:text-ink"
          >
            {wording.alike(sayCount(shape.alike))}
            <span className="sr-only">{wording.andShowWhatTellsApart}</span>
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
        aria-label={shape ? `${name}, ${counted.timetables(shape.alike)}, ${facts.join(', ')}` : name}
        onClick={() => onGo(index)}
        className="absolute inset-0 rounded-[4px]"
      />
    </div>
  );
});
