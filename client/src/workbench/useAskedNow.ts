import { useMemo, useState } from 'react';
import type { Ask } from '@/api/client';
import { leaveEitherOr, setRole } from '@/domain/edits';
import { useDrawnHours } from './useDrawnHours';

/** What is asked at this moment: the sketch, and on it what is only tried while a pointer or key is down. */
export function useAskedNow(ask: Ask, withPicked: (ask: Ask) => Ask) {
  const { drawn, draw } = useDrawnHours(ask, withPicked);
  const [without, setWithout] = useState<string | null>(null);
  const [weighed, setWeighed] = useState<Ask['weights'] | null>(null);
  const asked = useMemo(() => {
    const now =
      drawn?.ask ??
      withPicked(without === null ? ask : leaveEitherOr(setRole(ask, without, 'setAside'), without));
    return weighed ? { ...now, weights: weighed } : now;
  }, [drawn, ask, without, withPicked, weighed]);
  return { asked, drawn, draw, without, setWithout, weighed, setWeighed };
}
