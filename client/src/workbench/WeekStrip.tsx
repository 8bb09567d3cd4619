import { memo } from 'react';
import type { Term } from '@/api/client';
import { mondayOf, sayDate, weekHasClass } from './termDates';

type Props = { term: Term; week: number | null; onWeek: (week: number | null) => void };

/** The weeks of the term: all at once, or one as it is. */
export const WeekStrip = memo(function WeekStrip({ term, week, onWeek }: Props) {
  const weeks = Array.from({ length: term.weeks }, (_, i) => i + 1);
  return (
    <div className="flex flex-wrap items-center gap-x-2 gap-y-1 px-4 pt-2 text-12">
      <span className="text-mute" id="weeks-of-term">
        Weeks
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
              aria-label={`Week ${one}, from ${sayDate(mondayOf(term, one))}${free ? ', no class' : ''}`}
              title={`Week ${one}, from ${sayDate(mondayOf(term, one))}${free ? ': no class' : ''}`}
              onClick={() => onWeek(week === one ? null : one)}
              className={`h-4 w-[15px] rounded-[2px] text-11 leading-none ${isOn ? 'bg-plum text-on-plum' : 'bg-rule/60 text-ink'} ${free ? 'opacity-45' : ''}`}
            >
              {week === one ? one : ''}
            </button>
          );
        })}
      </div>
      <label className="flex items-center gap-1.5 text-mute">
        <span className="sr-only">Week of a date</span>
        <input
          type="date"
          min={term.firstMonday}
          max={term.end}
          value={week === null ? '' : mondayOf(term, week)}
          onChange={(event) => {
            const days = (Date.parse(event.target.value) - Date.parse(term.firstMonday)) / 86_400_000;
            const chosen = Math.floor(days / 7) + 1;
            if (chosen >= 1 && chosen <= term.weeks) onWeek(chosen);
          }}
          className="rounded-[3px] border border-rule bg-sheet px-1 text-ink"
        />
      </label>
      {week === null ? (
        <span className="text-mute">all weeks at once</span>
      ) : (
        <button type="button" onClick={() => onWeek(null)} className="font-strong text-plum hover:underline">
          show all weeks
        </button>
      )}
    </div>
  );
});
