import { useQuery } from '@tanstack/react-query';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState } from 'react';
import type { Answer, Ask, Ranked } from '@/api/client';
import { spreadQuery } from '@/api/answerQueries';
import type { Axis } from '@/grid/axis';
import { countOf, sayCount, sayLeast } from '@/lib/count';
import { type Day, days, fullDay, shortDay } from '@/lib/days';
import { minuteOf } from '@/lib/time';
import { isSame } from '@/lib/isSame';
import { placed, type Sections } from '@/sketch/useSections';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { Select } from '@/ui/Select';
import { ShapeCard } from './ShapeCard';
import { useAllShapes, useShapes } from './useShapes';

const cardWidth = 166;
const cardHeight = 178;
const mostDifferent = 12;

type Props = {
  ask: Ask;
  listed: number;
  answer: Answer;
  inView: Ranked | null;
  sections: Sections;
  axis: Axis;
  weekCount: number;
  onGo: (place: number) => void;
  onLookAlikes: () => void;
  onClose: () => void;
};

type Facts = { off: readonly Day[]; after: string; before: string; idle: string; seats: string };

const anything: Facts = { off: [], after: '', before: '', idle: '', seats: '' };

/** All listed week shapes laid out, to be filtered by facts, or those that differ most. */
export function Sheet(props: Props) {
  const { ask, listed, answer, inView, sections, axis, weekCount, onGo, onLookAlikes, onClose } = props;
  const [facts, setFacts] = useState(anything);
  const [isSpread, setSpread] = useState(false);
  const isFiltered = !isSame(facts, anything);
  const looked = useAllShapes(ask, listed, isFiltered && !isSpread);
  const spread = useQuery({ ...spreadQuery(ask, mostDifferent), enabled: isSpread });
  const source = isSpread ? (spread.data ?? []) : looked.all;
  // Where nothing is filtered all are shown, and only those in view are fetched.
  const found = isFiltered || isSpread ? source.filter((one) => suits(one, facts, sections)) : null;
  const isLoading = isSpread ? spread.isPending : isFiltered && !looked.isWhole;

  const scroller = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  const columns = Math.max(1, Math.floor(width / cardWidth));
  const virtual = useVirtualizer({
    count: Math.ceil((found?.length ?? listed) / columns),
    getScrollElement: () => scroller.current,
    estimateSize: () => cardHeight,
    overscan: 3,
  });
  const rows = virtual.getVirtualItems();
  const inRow = (row: number) => {
    const first = row * columns;
    return Array.from({ length: Math.min(columns, (found?.length ?? listed) - first) }, (_, i) => first + i);
  };
  const { shapes, ...fetched } = useShapes(ask, found ? [] : rows.flatMap((row) => inRow(row.index)));
  const problem = isSpread ? spread.error : isFiltered ? looked.problem : fetched.problem;
  const retry = isSpread ? () => void spread.refetch() : isFiltered ? looked.retry : fetched.retry;

  return (
    <Dialog open onOpenChange={onClose} title="All week shapes" wide>
      <div className="flex h-[min(74dvh,44rem)] flex-col">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-hair pb-2 text-12">
          <div role="group" aria-label="Days off" className="flex items-center gap-1">
            <span className="mr-0.5 text-mute">Off</span>
            {days.slice(0, axis.days.length).map((day) => (
              <button
                key={day}
                type="button"
                aria-label={fullDay(day)}
                aria-pressed={facts.off.includes(day)}
                onClick={() =>
                  setFacts({
                    ...facts,
                    off: facts.off.includes(day)
                      ? facts.off.filter((one) => one !== day)
                      : [...facts.off, day],
                  })
                }
                className="rounded-[3px] border border-rule px-1.5 py-0.5 font-strong aria-pressed:border-plum aria-pressed:bg-plum aria-pressed:text-on-plum"
              >
                {shortDay(day)}
              </button>
            ))}
          </div>
          <Pick
            label="Starts at or after"
            value={facts.after}
            choices={hours(8, 13)}
            onChange={(after) => setFacts({ ...facts, after })}
          />
          <Pick
            label="Ends at or before"
            value={facts.before}
            choices={hours(13, 21)}
            onChange={(before) => setFacts({ ...facts, before })}
          />
          <Pick
            label="Idle a week at most"
            value={facts.idle}
            choices={[60, 120, 180, 240, 360, 480, 600].map((minutes) => ({
              value: String(minutes),
              label: `${minutes / 60} h`,
            }))}
            onChange={(idle) => setFacts({ ...facts, idle })}
          />
          <Pick
            label="Seats to spare"
            value={facts.seats}
            choices={[1, 2, 3, 5, 10].map((seats) => ({ value: String(seats), label: `${seats} or more` }))}
            onChange={(seats) => setFacts({ ...facts, seats })}
          />
          <Button aria-pressed={isSpread} onClick={() => setSpread(!isSpread)}>
            Most different
          </Button>
          <p role="status" className="ml-auto text-mute">
            {isLoading && !problem
              ? isSpread
                ? 'Loading'
                : `${sayCount(found?.length ?? 0)} found; ${sayCount(looked.all.length)} of ${sayCount(listed)} looked at`
              : sayShown(
                  found?.length ?? listed,
                  isSpread ? source.length : listed,
                  listed,
                  answer,
                  isSpread,
                )}
          </p>
        </div>
        {problem && (
          <div role="alert" className="flex items-center gap-3 border-b border-brick px-1 py-1.5 text-12">
            <p className="min-w-0 flex-1">Not all week shapes could be fetched. {problem.message}</p>
            <Button onClick={retry}>Try again</Button>
          </div>
        )}
        <div
          ref={(element) => {
            scroller.current = element;
            if (element && element.clientWidth !== width) setWidth(element.clientWidth);
          }}
          className="min-h-0 flex-1 overflow-y-auto pt-2"
        >
          {!isLoading && found?.length === 0 && (
            <div className="py-8 text-center text-mute">
              <p>No listed week shape has all of this.</p>
              <Button look="quiet" onClick={() => setFacts(anything)}>
                Show them all again
              </Button>
            </div>
          )}
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {rows.map((row) => (
              <ul
                key={row.key}
                className="absolute inset-x-0 flex gap-2"
                style={{ height: cardHeight - 9, transform: `translateY(${row.start}px)` }}
              >
                {inRow(row.index).map((at) => {
                  const one = found ? found[at]! : (shapes.get(at) ?? null);
                  const place = one ? one.rank - 1 : at;
                  return (
                    <li key={place} style={{ width: cardWidth - 9 }}>
                      <ShapeCard
                        place={place}
                        shape={one}
                        isInView={place + 1 === inView?.rank}
                        weights={ask.weights}
                        sections={sections}
                        axis={axis}
                        weekCount={weekCount}
                        onGo={(to) => {
                          onGo(to);
                          onClose();
                        }}
                        onLookAlikes={onLookAlikes}
                      />
                    </li>
                  );
                })}
              </ul>
            ))}
          </div>
        </div>
      </div>
    </Dialog>
  );
}

function sayShown(shown: number, of: number, listed: number, answer: Answer, isSpread: boolean): string {
  const { weekShapes, isExact } = answer;
  if (isSpread) return `${shown} that differ most, of the best ${sayCount(listed)}`;
  const isAll = isExact && listed === Number(weekShapes);
  const all = isAll ? sayCount(listed) : `the best ${sayCount(listed)} of ${sayLeast(weekShapes, isExact)}`;
  return shown === of
    ? `${all} ${listed === 1 ? 'week shape' : 'week shapes'}`
    : `${countOf(shown, 'week shape')} of ${all}`;
}

/** Whether a timetable has the facts asked for. */
function suits({ measures, sections: numbers }: Ranked, facts: Facts, sections: Sections): boolean {
  const { earliestStart, latestEnd } = measures;
  if (facts.after !== '' && (earliestStart === null || minuteOf(earliestStart) < Number(facts.after)))
    return false;
  if (facts.before !== '' && (latestEnd === null || minuteOf(latestEnd) > Number(facts.before))) return false;
  if (facts.idle !== '' && measures.idleMinutes > Number(facts.idle)) return false;
  if (facts.seats !== '' && measures.seatsToSpare < Number(facts.seats)) return false;
  if (facts.off.length === 0) return true;
  return placed(sections, numbers).every(({ section }) =>
    section.meetings.every((meeting) => !(facts.off as readonly string[]).includes(meeting.day)),
  );
}

function hours(from: number, to: number) {
  return Array.from({ length: to - from }, (_, i) => ({
    value: String((from + i) * 60),
    label: `${from + i}:00`,
  }));
}

type PickProps = {
  label: string;
  value: string;
  choices: readonly { value: string; label: string }[];
  onChange: (value: string) => void;
};

function Pick({ choices, ...rest }: PickProps) {
  return <Select {...rest} choices={[{ value: '', label: 'any' }, ...choices]} />;
}
