import { useEffect, useRef } from 'react';
import type { Ask, Term } from '@/api/client';
import { sayBlock } from '@/grid/blocks';
import { Button } from '@/ui/Button';
import type { CalendarPreview } from './useCalendarPreview';
import { useKeyDown } from '@/lib/useKeyDown';
import { wording } from '@/wording/workbench/CalendarHours';
import { common } from '@/wording/common';
import { counted } from '@/wording/counted';

type Props = {
  term: Term;
  preview: CalendarPreview;
  /** What the hours that are picked leave, in words. */
  leaves: string;
  change: (edit: (ask: Ask) => Ask) => void;
};

/** What a calendar holds, beside the grid on which its hours lie: picked here or there, then taken out. */
export function CalendarHours({ term, preview, leaves, change }: Props) {
  const { file, found, events, picked, toggle, withPicked, close } = preview;
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), [file]);
  useKeyDown((event) => {
    if (event.key === 'Escape') close();
  });
  const count = picked.filter(Boolean).length;
  return (
    <section aria-labelledby="calendar-hours">
      <h2
        id="calendar-hours"
        ref={heading}
        tabIndex={-1}
        className="text-16 font-heavy break-words outline-none"
      >
        {wording.hoursIn(file?.name ?? '')}
      </h2>
      {found.isPending && <p role="status">{wording.readingCalendar}</p>}
      {found.isError && (
        <p role="alert" className="mt-1 text-brick">
          {found.error.message}
        </p>
      )}
      {found.data && events.length === 0 && (
        <p className="mt-1">{wording.nothingInCalendarTakesPlace(term.name)}</p>
      )}
      {events.length > 0 && (
        <>
          <p className="mt-1 text-12 text-mute">{wording.dashedOnGridOfferedHatched}</p>
          <ul aria-label={wording.events} className="mt-2">
            {events.map((one, i) => (
              <li key={i} className="border-t border-hair py-1.5">
                <label className="flex items-start gap-2">
                  <input
                    type="checkbox"
                    checked={picked[i]}
                    onChange={() => toggle(i)}
                    className="mt-0.5 accent-plum"
                  />
                  <span className="min-w-0">
                    <span className="font-strong break-words">{one.label || wording.withoutName}</span>
                    {one.isAllDay && <span className="text-12 text-mute">{wording.allDay}</span>}
                    {!one.isWeekly && <span className="text-12 text-mute">{wording.inOneWeek}</span>}
                    {one.blocks.map((block, j) => (
                      <span key={j} className="block text-12 text-mute">
                        {sayBlock({ ...block, label: '' })}
                      </span>
                    ))}
                  </span>
                </label>
              </li>
            ))}
          </ul>
        </>
      )}
      {found.data && found.data.passedOver.length > 0 && (
        <details className="mt-2 text-12 text-mute">
          <summary>{wording.passedOver(counted.events(found.data.passedOver.length))}</summary>
          <ul>
            {found.data.passedOver.map((one, i) => (
              <li key={i}>
                {one.label || wording.withoutName}: {one.why}
              </li>
            ))}
          </ul>
        </details>
      )}
      <div className="sticky bottom-0 -mb-3 flex flex-wrap items-center gap-2 bg-sheet py-3">
        {events.length > 0 && (
          <Button
            look="main"
            disabled={count === 0}
            onClick={() => {
              change(withPicked);
              close();
            }}
          >
            {wording.takeOut(counted.events(count))}
          </Button>
        )}
        <Button look="quiet" onClick={close}>
          {events.length > 0 ? common.cancel : wording.close}
        </Button>
        {count > 0 && <span className="text-12 text-mute">{leaves}</span>}
      </div>
    </section>
  );
}
