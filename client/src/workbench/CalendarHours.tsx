import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Ask, Term, TimeBlock } from '@/api/client';
import { calendarHoursQuery } from '@/api/queries';
import { axisFor } from '@/grid/axis';
import { hoursOfBlock, sayBlock } from '@/grid/blocks';
import { WeekPicture } from '@/grid/WeekPicture';
import { countOf } from '@/lib/count';
import { daysOf, shortDay } from '@/lib/days';
import { sayTime } from '@/lib/time';
import { replaceBlock } from '@/sketch/edits';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';

type Props = {
  term: Term;
  /** The file of a calendar. */
  file: File;
  change: (edit: (ask: Ask) => Ask) => void;
  onClose: () => void;
};

/** The hours that a calendar takes: picked, looked at, and taken out. */
export function CalendarHours({ term, file, change, onClose }: Props) {
  const found = useQuery(calendarHoursQuery(term.id, file));
  const events = found.data?.found ?? [];
  const [changed, setChanged] = useState<ReadonlyMap<number, boolean>>(new Map());
  // What comes every week is a plan; what comes once, or fills days, is taken only when wanted.
  const isPicked = (i: number) => changed.get(i) ?? (events[i]!.isWeekly && !events[i]!.isAllDay);
  const blocks = events.flatMap((one, i) => (isPicked(i) ? one.blocks : []));
  const axis = axisFor(
    blocks.flatMap((block) => daysOf(block.days).map((day) => ({ day, ...hoursOfBlock(block) }))),
  );
  return (
    <Dialog open onOpenChange={onClose} title={`Hours in “${file.name}”`} wide isForReading>
      {found.isPending && <p role="status">Reading the calendar …</p>}
      {found.isError && (
        <p role="alert" className="text-brick">
          {found.error.message}
        </p>
      )}
      {found.data && events.length === 0 && (
        <p>Nothing in this calendar takes place in {term.name}.</p>
      )}
      {events.length > 0 && (
        <div className="flex gap-5 max-md:flex-col">
          <ul aria-label="Events" className="min-w-0 flex-1">
            {events.map((one, i) => (
              <li key={i} className="border-t border-hair py-1.5 first:border-t-0">
                <label className="flex items-start gap-2">
                  <input
                    type="checkbox"
                    checked={isPicked(i)}
                    onChange={(event) => setChanged(new Map(changed).set(i, event.target.checked))}
                    className="mt-0.5 accent-plum"
                  />
                  <span className="min-w-0">
                    <span className="font-strong break-words">{one.label || 'Without a name'}</span>
                    {one.isAllDay && <span className="text-12 text-mute"> · all day</span>}
                    {!one.isWeekly && <span className="text-12 text-mute"> · in one week only</span>}
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
          <div className="w-[320px] shrink-0 max-md:w-full">
            <p className="mb-1 text-12 text-mute">What is picked, over the week</p>
            <div className="flex gap-2 text-11 text-mute">
              <div className="flex flex-col" aria-hidden="true">
                {axis.days.map((day) => (
                  <span key={day} className="flex flex-1 items-center">
                    {shortDay(day)}
                  </span>
                ))}
              </div>
              <div className="flex-1">
                <WeekPicture axis={axis} classes={[]} blocks={blocks} weekCount={term.weeks} />
              </div>
            </div>
            <p className="mt-0.5 flex justify-between pl-7 text-11 text-mute" aria-hidden="true">
              <span>{sayTime(axis.from)}</span>
              <span>{sayTime(axis.to)}</span>
            </p>
          </div>
        </div>
      )}
      {found.data && found.data.passedOver.length > 0 && (
        <details className="mt-2 text-12 text-mute">
          <summary>{countOf(found.data.passedOver.length, 'event')} passed over</summary>
          <ul>
            {found.data.passedOver.map((one, i) => (
              <li key={i}>
                {one.label || 'Without a name'}: {one.why}
              </li>
            ))}
          </ul>
        </details>
      )}
      <div className="mt-3 flex gap-2">
        {events.length > 0 && (
          <Button
            look="main"
            disabled={blocks.length === 0}
            onClick={() => {
              change((now) => blocks.reduce((ask, block: TimeBlock) => replaceBlock(ask, null, block), now));
              onClose();
            }}
          >
            Take {countOf(events.filter((_, i) => isPicked(i)).length, 'event')} out
          </Button>
        )}
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
      </div>
    </Dialog>
  );
}
