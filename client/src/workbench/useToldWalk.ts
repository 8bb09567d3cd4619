import { useMemo, useState } from 'react';
import { useRested } from '@/lib/useRested';
import { factsOf } from '@/domain/facts';
import type { Walk } from '@/domain/useWalk';
import { wording } from '@/wording/workbench/useToldWalk';

/** How long one stays at a week shape until it is told: a key that is held walks on, and says nothing. */
const restMs = 400;

const mostFacts = 3;

/** What is told to who walks and does not see: the number of the week shape, its days and hours. */
export function useToldWalk({ ask, inView, isInViewOld }: Walk): string {
  const text =
    inView && !isInViewOld
      ? wording.nRank(
          inView.rank,
          factsOf(inView)
            .slice(0, mostFacts)
            .map(({ value, name }) => `${value} ${name}`)
            .join(', '),
        )
      : '';
  const now = useMemo(() => ({ ask, text }), [ask, text]);
  // What stands there first after a change is told with its count.
  const [first, setFirst] = useState(now);
  if (first.ask !== ask || (first.text === '' && text !== '')) setFirst(now);
  const rested = useRested(now, restMs);
  const [last, setLast] = useState({ of: rested, told: '' });
  if (last.of !== rested) {
    const isWalked = rested.ask === last.of.ask || rested.text !== first.text;
    setLast({ of: rested, told: isWalked ? rested.text : '' });
  }
  return last.told;
}
