import { type CSSProperties, memo } from 'react';
import { along, type Axis, percent } from './axis';
import {
  colourOf,
  type GridClass,
  markOf,
  sayClass,
  sayComponent,
  sayComponentShort,
  sayWeeksShort,
} from './classes';
import { Fit } from './Fit';
import type { Share } from './shares';
import { wording } from '@/wording/grid/ClassBlock';

export type ClassHandlers = {
  /** A class is pointed at or in focus; null when none is any more. */
  onPointClass: (one: GridClass | null) => void;
  /** A class was pressed. */
  onPressClass: (one: GridClass, element: HTMLElement) => void;
};

/** Without handlers a class is looked at only. */
type Props = Partial<ClassHandlers> & {
  axis: Axis;
  one: GridClass;
  share: Share;
  weekCount: number;
  isKept: boolean;
};

const shapes: Record<string, string> = {
  lab: 'border-l-6 border-double border-l-on-course',
  recitation: 'recitation-edge',
};

/** Which it is is told by the edge alone, without colour: a solid bar, a moving or a dashed line, a cut corner. */
const standingEdges = {
  held: 'border border-on-course/35',
  sent: 'sent-edge',
  waiting: 'border-2 border-dashed border-ink',
  refused: 'refused-edge',
};

/** A solid bar along the top, with a tick. */
function HeldMark() {
  return (
    <span className="absolute inset-x-0 top-0 h-1 bg-moss" aria-hidden="true">
      <span className="absolute top-0.5 right-1 text-11 leading-3 font-heavy text-on-course">✓</span>
    </span>
  );
}

const nearWords = {
  fits: wording.ofNearestWeek,
  against: wording.ofNearestWeekGoesAgainst,
};

/** A class on the grid. Its shape tells its component, its height the part of the term. */
export const ClassBlock = memo(function ClassBlock(props: Props) {
  const { axis, one, share, weekCount, isKept, onPointClass, onPressClass } = props;
  const left = along(axis, one.start);
  const short = share.height < 1;
  const weeks = sayWeeksShort(one.weeks, weekCount);
  const said = `${sayClass(one, weekCount)}${isKept ? wording.kept : ''}${one.near ? nearWords[one.near] : ''}`;
  const { standing } = one;
  // What is not a seat of one's own has no colour of one's own.
  const isOpen = standing !== undefined && standing.kind !== 'held';
  const colour = one.near
    ? `color-mix(in srgb, ${colourOf(one.colour)} 22%, var(--sheet))`
    : isOpen
      ? 'var(--sheet)'
      : colourOf(one.colour);
  const edge = one.near
    ? one.near === 'against'
      ? 'border-2 border-brick'
      : 'border border-dashed border-rule'
    : standing
      ? standingEdges[standing.kind]
      : 'border border-on-course/35';
  const shape = isOpen ? '' : (shapes[one.section.component] ?? '');
  return (
    <li
      data-section={one.section.number}
      title={said}
      className={`sized pointer-events-auto absolute overflow-hidden rounded-[3px] ${edge} text-11 leading-[1.25] ${one.near || isOpen ? 'text-ink' : 'text-on-course'} motion-safe:transition-[left,top,width,height] motion-safe:duration-[120ms] motion-safe:ease-out ${shape}`}
      style={
        {
          left: percent(left),
          width: percent(along(axis, one.end) - left),
          top: `calc(6px + ${share.top} * (100% - 12px))`,
          height: `calc(${share.height} * (100% - 12px) - ${short ? 1 : 0}px)`,
          backgroundColor: colour,
          '--behind': colour,
        } as CSSProperties
      }
    >
      {standing?.kind === 'held' && <HeldMark />}
      <div
        aria-hidden="true"
        className={`h-full ${short ? 'px-1 py-px' : 'px-1.5 py-1 @max-[64px]:px-0.5'} ${standing?.kind === 'held' ? 'pt-1.5!' : ''}`}
      >
        {/* What has no room in the height goes to a second column, which is out of view. */}
        <div className="flex h-full flex-col flex-wrap content-start overflow-hidden *:w-full">
          <Fit
            forms={[
              markOf(one.course.id),
              one.course.id,
              ...(short ? [`${one.course.id} ${sayComponent(one.section)}`] : []),
            ]}
            className="text-12 font-heavy @max-[64px]:text-11 @max-[64px]:tracking-tight"
          />
          {isOpen && <Fit forms={[standing.short, standing.text]} />}
          {!short && (
            <Fit forms={[one.section.label, sayComponentShort(one.section), sayComponent(one.section)]} />
          )}
          {weeks !== '' && <Fit forms={[weeks]} />}
          {!short && <div className="bg-(--behind) @max-[40px]:hidden">{one.room}</div>}
        </div>
      </div>
      {isKept && (
        <span className="absolute right-1 bottom-1 size-2 rounded-[1px] bg-on-course" aria-hidden="true" />
      )}
      {onPressClass ? (
        <button
          type="button"
          aria-label={said}
          aria-haspopup="dialog"
          aria-keyshortcuts="K X"
          onClick={(event) => onPressClass(one, event.currentTarget)}
          onMouseEnter={() => onPointClass?.(one)}
          onMouseLeave={() => onPointClass?.(null)}
          onFocus={() => onPointClass?.(one)}
          onBlur={() => onPointClass?.(null)}
          className="absolute inset-0 -outline-offset-2"
        />
      ) : (
        <span className="sr-only">{said}</span>
      )}
    </li>
  );
});
