import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import type { Ask } from '@/api/client';
import { useAdvice } from '@/domain/useAdvice';
import { Button } from '@/ui/Button';
import { Message } from '@/ui/Message';
import { Select } from '@/ui/Select';
import { isSide, loosened, type Names, sayLoosening } from './narrowing';
import { ResultRow } from './ResultRow';
import type { FoundCourses } from './useFound';
import { type Order, type SearchState } from './useSearchState';
import { wording } from '@/wording/catalogue/ResultList';
import { common } from '@/wording/common';

const rowHeight = 66;

const orders: { value: Order; label: string }[] = [
  { value: 'match', label: wording.bestMatch },
  { value: 'fit', label: wording.mostTimetables },
  { value: 'code', label: wording.code },
  { value: 'credits', label: common.credits },
  { value: 'seats', label: wording.freeSeats },
];

type Props = { state: SearchState; found: FoundCourses; ask: Ask; names: Names };

/** The courses found, as many as there are: only those in view are drawn, and more are loaded as one goes down. */
export function ResultList({ state, found, ask, names }: Props) {
  const { recommended } = useAdvice(ask.term);
  const scroller = useRef<HTMLDivElement>(null);
  const { courses, hasMore, loadMore } = found;
  const rows = useVirtualizer({
    count: courses.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 8,
  });
  const drawn = rows.getVirtualItems();
  const last = drawn.at(-1)?.index ?? 0;
  useEffect(() => {
    if (hasMore && last >= courses.length - 10) loadMore();
  }, [hasMore, last, courses.length, loadMore]);

  // A new search is read from its top.
  const search = state.search;
  useEffect(() => {
    if (scroller.current) scroller.current.scrollTop = 0;
  }, [search]);

  const focusRow = (index: number) => {
    const row = scroller.current?.querySelector<HTMLElement>(`[data-result="${index}"]`);
    row?.focus();
    return row !== null && row !== undefined;
  };

  const goTo = (index: number) => {
    if (index < 0 || index >= courses.length) return;
    rows.scrollToIndex(index);
    // At once where it is drawn, so that the next key is already its own; else when the list has moved.
    if (!focusRow(index)) requestAnimationFrame(() => focusRow(index));
  };

  const onKeyDown = (event: KeyboardEvent) => {
    const at = Number(
      (event.target as HTMLElement).closest<HTMLElement>('[data-result]')?.dataset.result ?? 'NaN',
    );
    if (Number.isNaN(at)) return;
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: courses.length - 1 }[event.key];
    if (to === undefined) return;
    event.preventDefault();
    goTo(to);
  };

  if (found.problem && courses.length === 0)
    return (
      <div role="alert" className="flex flex-1">
        <Message title={wording.searchDidNotWork} heading="h2">
          <p>{wording.sketchSafe(found.problem.message)}</p>
          <Button look="main" onClick={found.retry}>
            {common.tryAgain}
          </Button>
        </Message>
      </div>
    );

  return (
    <section aria-label={wording.coursesFound} className="flex min-w-0 flex-1 flex-col">
      <div className="flex items-center gap-4 border-b border-hair px-4 py-1.5 text-12">
        <Select
          label={wording.order}
          value={state.order}
          choices={orders}
          onChange={(order) => state.setOrder(order)}
        />
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={state.fitting}
            onChange={(event) => state.setFitting(event.target.checked)}
          />
          {wording.onlyThoseFitSketch}
        </label>
      </div>
      {found.total !== null && courses.length === 0 && !found.isSearching ? (
        <NothingFound state={state} found={found} names={names} />
      ) : (
        <div
          ref={scroller}
          className={`min-h-0 flex-1 overflow-y-auto ${found.isSearching ? 'opacity-60' : ''}`}
        >
          {/* The keys move among the rows, each of which is a button of its own. */}
          {/* eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
          <ul className="relative" style={{ height: rows.getTotalSize() }} onKeyDown={onKeyDown}>
            {drawn.map((row) => {
              const course = courses[row.index]!;
              return (
                <li
                  key={course.id}
                  aria-posinset={row.index + 1}
                  aria-setsize={courses.length}
                  className="absolute inset-x-0"
                  style={{ top: row.start, height: rowHeight }}
                >
                  <ResultRow
                    index={row.index}
                    course={course}
                    fit={found.fits.get(course.id)}
                    role={ask.wanted.find((wanted) => wanted.course === course.id)?.role ?? null}
                    isRecommended={recommended.has(course.id)}
                    isOpen={state.course === course.id}
                    names={names}
                    onOpen={() => state.open(course.id)}
                  />
                </li>
              );
            })}
          </ul>
        </div>
      )}
    </section>
  );
}

function NothingFound({ state, found, names }: Omit<Props, 'ask'>) {
  const words = state.words.trim();
  if (found.unfit)
    return (
      <Message title={wording.noneOfTheseCoursesFits}>
        <p>{wording.showAllToSeeWhy}</p>
        <Button onClick={() => state.setFitting(false)}>{wording.showAll(found.unfit)}</Button>
      </Message>
    );
  if (found.matches === 0)
    return (
      <Message title={wording.noCourseOfTerm(words)}>
        <p>{wording.lookedForInCodesTitles}</p>
        <Button onClick={() => state.setWords('')}>{wording.clearWords}</Button>
      </Message>
    );
  return (
    <Message title={wording.coursesMatchAndNarrowingHides(found.matches)}>
      <div className="flex flex-wrap justify-center gap-2">
        {found.loosenings.slice(0, 4).map(({ by, value, more }) =>
          isSide(by) ? (
            <Button
              key={`${by} ${value}`}
              onClick={() => state.setValues(by, loosened(by, state.values(by), value))}
            >
              {wording.showMore(more, sayLoosening(by, value, names))}
            </Button>
          ) : null,
        )}
        <Button onClick={state.clear}>{wording.showAllCoursesAgain}</Button>
      </div>
    </Message>
  );
}
