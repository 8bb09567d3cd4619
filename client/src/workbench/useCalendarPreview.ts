import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import type { Ask, Term, TimeBlock } from '@/api/client';
import { calendarHoursQuery } from '@/api/queries';
import type { OfferedBlock } from '@/grid/OfferedBlocks';
import { replaceBlock } from '@/domain/edits';

const none: ReadonlyMap<number, boolean> = new Map();

/** The hours that a calendar takes, looked at over the week before any of them is taken out. */
export function useCalendarPreview(term: Term) {
  const [file, setFile] = useState<File | null>(null);
  const [changed, setChanged] = useState(none);
  const found = useQuery({ ...calendarHoursQuery(term.id, file), enabled: file !== null });
  const events = file && found.data?.found;
  // What comes every week is a plan; what comes once, or fills days, is taken only when wanted.
  const picked = useMemo(
    () => (events ?? []).map((one, i) => changed.get(i) ?? (one.isWeekly && !one.isAllDay)),
    [events, changed],
  );
  const toggle = useCallback((i: number) => setChanged((now) => new Map(now).set(i, !picked[i])), [picked]);
  const offered: OfferedBlock[] = useMemo(
    () =>
      (events ?? []).flatMap((one, i) =>
        one.blocks.map((block, j) => ({
          key: `${i}/${j}`,
          block,
          isPicked: picked[i]!,
          toggle: () => toggle(i),
        })),
      ),
    [events, picked, toggle],
  );
  /** An ask with what is picked taken out as well. */
  const withPicked = useCallback(
    (ask: Ask) =>
      offered
        .filter((one) => one.isPicked)
        .reduce((now, { block }: { block: TimeBlock }) => replaceBlock(now, null, block), ask),
    [offered],
  );
  const open = useCallback((next: File) => {
    setFile(next);
    setChanged(none);
  }, []);
  const close = useCallback(() => setFile(null), []);
  return {
    file,
    found,
    events: events ?? [],
    picked,
    offered,
    withPicked,
    toggle,
    open,
    close,
  };
}

export type CalendarPreview = ReturnType<typeof useCalendarPreview>;
