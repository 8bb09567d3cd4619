import { memo } from 'react';
import type { Fit, Found } from '@/api/client';
import { sayCount } from '@/wording/counts';
import { sayCredits } from '@/domain/credits';
import { sayRole } from '@/domain/edits';
import type { Names } from './narrowing';
import { sayStamp, WeekStamp } from '@/grid/WeekStamp';
import { wording } from '@/wording/catalogue/ResultRow';
import { counted } from '@/wording/counted';

type Props = {
  index: number;
  course: Found;
  fit: Fit | undefined;
  /** Its role in the sketch, or null. */
  role: string | null;
  isOpen: boolean;
  /** Whether the adviser recommends it. */
  isRecommended: boolean;
  names: Names;
  onOpen: () => void;
};

/** One course of the list. */
export const ResultRow = memo(function ResultRow(props: Props) {
  const { index, course, fit, role, isOpen, isRecommended, names, onOpen } = props;
  const hides = course.sections - course.sectionsShown;
  return (
    <button
      type="button"
      data-result={index}
      aria-current={isOpen}
      onClick={onOpen}
      className={`flex h-full w-full items-center gap-4 border-b border-hair px-4 text-left focus-visible:-outline-offset-2 max-md:gap-2 max-md:px-3 ${
        isOpen
          ? 'border-l-[3px] border-l-plum bg-sheet'
          : 'border-l-[3px] border-l-transparent hover:bg-sheet'
      }`}
    >
      <span className="w-[84px] shrink-0 font-heavy max-md:w-[64px]">{course.id}</span>
      <span className="min-w-0 flex-1">
        <span className="block truncate font-strong">{course.title}</span>
        <span className="block truncate text-12 text-mute">
          {isRecommended && <span className="font-strong text-plum">{wording.recommended}</span>}
          {sayCredits(course.minCredits, course.maxCredits)} · {course.components.join(' + ')}
          {course.part && ` · ${names.part(course.part)}`}
          {wording.ofWithSeats(course.sectionsWithSeat, counted.sections(course.sections))}
          {hides > 0 && wording.hiddenHides(hides)}
        </span>
      </span>
      <span className="h-[50px] w-[112px] shrink-0 max-md:hidden">
        <WeekStamp stamp={course.stamp} />
      </span>
      <span className="sr-only">{sayStamp(course.stamp)}</span>
      <span className="w-[128px] shrink-0 max-md:w-[88px]">
        <FitFigure fit={fit} role={role} />
      </span>
    </button>
  );
});

function FitFigure({ fit, role }: { fit: Fit | undefined; role: string | null }) {
  const note = role ? wording.timetablesRole(sayRole(role).toLowerCase()) : wording.timetablesWith;
  if (!fit) return <span className="block text-12 text-mute">{role ? sayRole(role).toLowerCase() : ''}</span>;
  const none = fit.timetables === '0' && fit.isExact;
  return (
    <>
      <span className={`block text-16 font-heavy tabular-nums ${none ? 'text-brick' : ''}`}>
        {fit.isExact ? sayCount(fit.timetables) : wording.orMore(sayCount(fit.timetables))}
      </span>
      <span className="line-clamp-2 block text-11 leading-tight text-mute">{fit.whyNot ?? note}</span>
    </>
  );
}
