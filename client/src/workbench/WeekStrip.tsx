import { memo } from 'react';
import type { Term } from '@/api/client';
import { daysBetween } from '@/lib/dates';
import { sayDate } from '@/wording/dates';
import { DateField } from '@/ui/DateField';
import { mondayOf, weekHasClass } from './termDates';
import { wording } from '@/wording/workbench/WeekStrip';

type Props = { term: Term; week: number | null; onWeek: (week: number | null) => void };

/** The weeks of the term: all at once, or one as it is. */
export const WeekStrip = memo(function WeekStrip({ term, week, onWeek }: Props) {
  const weeks = Array.from({ length: term.weeks }, (_, i) => i + 1);
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1 px-4 pt-2 text-12">
      <span className="text-mute" id="weeks-of-term">
        {wording.weeks}
      </span>
      <div role="group" aria-labelledby="weeks-of-term" className="flex flex-wrap gap-[3px]">
        {weeks.map((one) => {
          const isOn = week === null || week === one;
          const free = !weekHasClass(term, one);
          return (
            <button
              key={one}
              type="button"
              aria-pressed={week === one}
              aria-label={wording.weekFrom(one, sayDate(mondayOf(term, one)), free ? wording.noClass : '')}
              title={wording.weekFrom(one, sayDate(mondayOf(term, one)), free ? wording.noClassThen : '')}
              onClick={() => onWeek(week === one ? null : one)}
              className={`size-6 rounded-[2px] text-11 leading-none ${isOn ? 'bg-plum text-on-plum' : 'bg-rule/60 text-ink'} ${free ? 'opacity-45' : ''}`}
            >
              {one}
            </button>
          );
        })}
      </div>
      <DateField
        label={wording.weekOfDate}
        value={week === null ? null : mondayOf(term, week)}
        first={term.firstMonday}
        last={term.end}
        onChange={(date) => onWeek(Math.floor(daysBetween(term.firstMonday, date) / 7) + 1)}
      />
      {week === null ? (
        <span className="text-mute">{wording.allWeeksAtOnce}</span>
      ) : (
        <button type="button" onClick={() => onWeek(null)} className="font-strong text-plum hover:underline">
          {wording.showAllWeeks}
        </button>
      )}
    </div>
  );
});
