import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Answer, Ask, Walked } from '@/api/client';
import { answerQuery, pageQuery, pageSize } from '@/api/queries';
import { isTexts, recall, remember } from '@/lib/browserStore';

export type Walk = {
  /** The answer in view; while a newer one is on its way, the one before. Null until the first. */
  answer: Answer | null;
  /** The ask it answers. */
  ask: Ask;
  /** Why the ask as it stands now has no answer. */
  problem: Error | null;
  retry: () => void;
  /** The timetable in view; null when there is none. */
  inView: Walked | null;
  go: (number: bigint) => void;
  step: (by: 1 | -1) => void;
  /** To the first timetable of the week shape before (-1) or after (1) the one in view. */
  goToShape: (by: 1 | -1) => void;
  /** The sections in view, to stay near to. */
  held: () => string[];
};

/** Answers an ask live, and walks its timetables. Each ask keeps the place where one stood in it. */
export function useWalk(sketchId: string, ask: Ask): Walk {
  const client = useQueryClient();
  const place = `place.${sketchId}`;
  const heldNow = useRef<string[] | null>(null);
  const held = useCallback(() => (heldNow.current ??= recall(place, isTexts) ?? []), [place]);
  const [places, setPlaces] = useState<ReadonlyMap<string, bigint>>(new Map());

  const query = useQuery(answerQuery(ask, held));
  // What was last answered stays in view also when the next ask cannot be.
  const [lastSettled, setLastSettled] = useState(query.data);
  if (query.data && query.data !== lastSettled) setLastSettled(query.data);
  const settled = query.data ?? lastSettled;
  const total = BigInt(settled?.answer.timetables ?? 0);
  const first = settled?.answer.inView ?? null;
  const number = (settled && places.get(settled.key)) ?? BigInt(first?.number ?? 0);

  const page = number / BigInt(pageSize);
  const isFirst = first !== null && String(number) === first.number;
  const paged = useQuery({
    ...pageQuery('timetables', settled?.ask ?? ask, page),
    enabled: first !== null && !isFirst,
  });
  const there = isFirst ? first : (paged.data?.[Number(number % BigInt(pageSize))] ?? null);

  // While a page loads the timetable before stays in view; when nothing is possible none does.
  const [lastSeen, setLastSeen] = useState<Walked | null>(null);
  const inView = first === null ? null : (there ?? lastSeen ?? first);
  if (inView !== lastSeen) setLastSeen(inView);

  useEffect(() => {
    if (inView === null) return;
    heldNow.current = inView.sections;
    remember(place, inView.sections);
  }, [inView, place]);

  // The pages around are fetched ahead, so that walking never waits.
  useEffect(() => {
    if (!settled || total === 0n) return;
    const last = (total - 1n) / BigInt(pageSize);
    for (const near of [page, page + 1n, page - 1n])
      if (near >= 0n && near <= last)
        client.query(pageQuery('timetables', settled.ask, near)).catch(() => undefined);
  }, [client, settled, page, total]);

  const go = (target: bigint) => {
    if (!settled || total === 0n) return;
    const within = target < 0n ? 0n : target >= total ? total - 1n : target;
    setPlaces((known) => new Map(known).set(settled.key, within));
  };

  const goToShape = (by: 1 | -1) => {
    if (!inView) return;
    // Look-alikes follow one another, so the next shape starts where this one's end; the one before is a step into
    // it and back to its own first.
    const start = BigInt(inView.number) - BigInt(inView.alikeNumber);
    if (by === 1)
      go(start + BigInt(inView.alike) < total ? start + BigInt(inView.alike) : BigInt(inView.number));
    else if (BigInt(inView.alikeNumber) > 0n || start === 0n) go(start);
    else void goBefore(start);
  };

  const goBefore = async (start: bigint) => {
    const at = start - 1n;
    const entries = await client.query(pageQuery('timetables', settled!.ask, at / BigInt(pageSize)));
    const before = entries[Number(at % BigInt(pageSize))];
    if (before) go(at - BigInt(before.alikeNumber));
  };

  return {
    answer: settled?.answer ?? null,
    ask: settled?.ask ?? ask,
    problem: query.error,
    retry: () => void query.refetch(),
    inView,
    go,
    step: (by) => go(number + BigInt(by)),
    goToShape,
    held,
  };
}
