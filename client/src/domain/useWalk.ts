import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Answer, Ask, Ranked } from '@/api/client';
import {
  answerQuery,
  atOnceQuery,
  costsQuery,
  countKeyOf,
  keyOf,
  lookAlikesQuery,
  mostListed,
  pageSize,
  shapesQuery,
  standingsQuery,
} from '@/api/answerQueries';
import { useStable } from '@/lib/useStable';
import { recall, remember } from '@/lib/browserStore';
import { differsInWeightsAlone, isWalkPosition, nearest, type WalkPosition } from './walkPosition';

/** The timetable last in view, and the ask it was seen in. */
type Seen = { timetable: Ranked; ask: Ask };

export type Walk = {
  /** The answer in view; while a newer one is on its way, the one before. Null until the first. */
  answer: Answer | null;
  /** The ask it answers. */
  ask: Ask;
  /** Whether a newer answer is on its way. */
  isBehind: boolean;
  /** The answer in view or, while a newer count takes long, what is known of the newer ask at once. */
  known: Answer | null;
  /** Whether the answer in view is that there is no timetable. */
  isNone: boolean;
  /** Why the ask as it stands now has no answer. */
  problem: Error | null;
  retry: () => void;
  /** The timetable in view; null when there is none. */
  inView: Ranked | null;
  /** Whether it stands in for one that is still being looked for: its number is not yet known. */
  isInViewOld: boolean;
  /** How many week shapes are listed: all of them, or the best of very many. */
  listed: number;
  /** Whether time sufficed to be sure that none better was left out. */
  isSureOfBest: boolean;
  /** Which of the look-alikes of its week shape is in view, from 0. */
  alike: number;
  /** To the n-th best week shape, from 0. */
  go: (position: number) => void;
  step: (by: 1 | -1) => void;
  /** To another timetable of the same week shape. */
  goAlike: (alike: number) => void;
  /** To one of the look-alikes of the n-th best week shape, both from 0. */
  show: (position: number, alike: number) => void;
};

/** How long an ask rests until what may be wanted next is fetched. */
const restMs = 150;

/** Answers an ask live, and walks its week shapes from the best on. Each ask keeps the position where one stood in it. */
export function useWalk(sketchId: string, ask: Ask): Walk {
  const client = useQueryClient();
  const name = `position.${sketchId}`;
  const [remembered] = useState<WalkPosition | null>(() => recall(name, isWalkPosition));
  const [positions, setPositions] = useState<ReadonlyMap<string, number>>(
    () => new Map(remembered ? [[remembered.key, remembered.position]] : []),
  );
  const [alikes, setAlikes] = useState<ReadonlyMap<string, number>>(new Map());
  const [lastSeen, setLastSeen] = useState<Seen | null>(null);

  const query = useQuery(answerQuery(ask));
  // What was last answered stays in view also when the next ask cannot be.
  const [lastSettled, setLastSettled] = useState(query.data);
  if (query.data && query.data !== lastSettled) setLastSettled(query.data);
  const settled = query.data ?? lastSettled;
  const isBehind = settled?.key !== countKeyOf(ask);
  const atOnce = useQuery({ ...atOnceQuery(ask), enabled: false });
  const isNone = settled?.answer.timetables === '0' && settled.answer.isExact;
  const hasSome = settled !== undefined && !isNone;
  const listed = settled ? Math.min(mostListed, Number(settled.answer.weekShapes)) : 0;

  // A new ask opens where the timetable in view stands among its best, or the one most like it.
  const shown = settled && isBehind ? settled.ask : ask;
  const shownKey = keyOf(shown);
  const known = positions.get(shownKey);
  const firstPage = useQuery({ ...shapesQuery(shown, 0), enabled: hasSome && known === undefined });
  const [near, setNear] = useState<{ of: readonly Ranked[]; position: number } | null>(null);
  if (known === undefined && firstPage.data && near?.of !== firstPage.data.timetables) {
    // Who looks at the best goes on looking at the best, and other weights alone are a question for it; who has walked
    // elsewhere stays as near to it as can be.
    const isForBest =
      lastSeen !== null && (lastSeen.timetable.rank === 1 || differsInWeightsAlone(lastSeen.ask, shown));
    const held = lastSeen?.timetable.sections ?? remembered?.sections ?? [];
    const of = firstPage.data.timetables;
    setNear({ of, position: isForBest ? 0 : nearest(of, held) });
  }
  const position = Math.min(
    known ?? (near && near.of === firstPage.data?.timetables ? near.position : 0),
    Math.max(0, listed - 1),
  );

  const page = Math.floor(position / pageSize);
  const paged = useQuery({ ...shapesQuery(shown, page), enabled: hasSome });
  const best = paged.data?.timetables[position % pageSize];
  const alikeKey = `${shownKey} ${position}`;
  const alike = alikes.get(alikeKey) ?? 0;
  const likes = useQuery({
    ...lookAlikesQuery(shown, best?.sections ?? []),
    enabled: best !== undefined && alike > 0,
  });
  const like = alike > 0 ? likes.data?.[alike] : undefined;
  const there = best && (like ? { ...like, rank: best.rank } : best);

  // While a page loads the timetable before stays in view; when nothing is possible none does.
  if (there && there.sections !== lastSeen?.timetable.sections) setLastSeen({ timetable: there, ask: shown });
  const inView = hasSome ? (there ?? lastSeen?.timetable ?? null) : null;

  useEffect(() => {
    if (inView) remember(name, { key: shownKey, position, sections: inView.sections } satisfies WalkPosition);
  }, [inView, name, position, shownKey]);

  // The pages around are fetched ahead, so that walking never waits; not for an ask that the next move makes old, and not
  // before what a student is waiting for.
  useEffect(() => {
    if (!hasSome) return;
    const last = Math.floor((listed - 1) / pageSize);
    let isOld = false;
    const fetchAhead = async () => {
      const details = [client.query(costsQuery(shown)), client.query(standingsQuery(shown))];
      // Where these were called off, the next ask is being answered.
      if ((await Promise.allSettled(details)).some((one) => one.status === 'rejected')) return;
      for (const ahead of [page + 1, page - 1])
        if (!isOld && ahead >= 0 && ahead <= last)
          client.query(shapesQuery(shown, ahead)).catch(() => undefined);
    };
    const later = setTimeout(() => void fetchAhead(), restMs);
    return () => {
      isOld = true;
      clearTimeout(later);
    };
  }, [client, shown, hasSome, page, listed]);

  const go = (target: number) => {
    if (!settled || listed === 0) return;
    const within = Math.max(0, Math.min(listed - 1, target));
    setPositions((now) => new Map(now).set(shownKey, within));
  };

  const steps = useStable({
    retry: () => void query.refetch(),
    go,
    step: (by: 1 | -1) => go(position + by),
    goAlike: (to: number) => setAlikes((now) => new Map(now).set(alikeKey, to)),
    show: (target: number, to: number) => {
      go(target);
      setAlikes((now) => new Map(now).set(`${shownKey} ${target}`, to));
    },
  });
  return {
    answer: settled?.answer ?? null,
    ask: shown,
    isBehind,
    isNone,
    known: isBehind && atOnce.data?.estimate ? atOnce.data : (settled?.answer ?? null),
    problem: query.error,
    inView,
    isInViewOld: inView !== null && !there,
    listed,
    isSureOfBest: paged.data?.isExact ?? true,
    alike,
    ...steps,
  };
}
