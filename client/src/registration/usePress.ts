import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { ApiError, type Line } from '@/api/client';
import { deliverPress, forgetPress, newPress, recallPress, type UnsentPress } from '@/domain/unsentPress';
import type { Registration } from '@/api/client';

/** Pauses between tries, in milliseconds; the last goes on. */
const pauses = [200, 500, 1_000, 2_000, 4_000];

/**
 * Sends lines to be registered. Each press has a key, and stands in the browser's store until the server has it: whatever
 * breaks, it is sent again with that key and done once.
 */
export function usePress(term: string, registration: Registration) {
  const client = useQueryClient();
  const [unsent, setUnsent] = useState<UnsentPress | null>(() => recallPress(term));
  const [tries, setTries] = useState(0);
  const [isSending, setSending] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const isThere = unsent !== null && registration.presses.some((press) => press.key === unsent.key);
  if (isThere) {
    forgetPress(term);
    setUnsent(null);
    setSending(false);
  }

  useEffect(() => {
    if (!unsent || !isSending) return undefined;
    let isOver = false;
    const settle = () => {
      forgetPress(term);
      setSending(false);
      setUnsent(null);
    };
    const timer = setTimeout(
      () =>
        void deliverPress(client, term, unsent).then(settle, (error: unknown) => {
          if (isOver) return;
          if (error instanceof ApiError && error.mayPass) {
            setTries((count) => count + 1);
            return;
          }
          setProblem(error instanceof Error ? error.message : String(error));
          settle();
        }),
      tries === 0 ? 0 : pauses[Math.min(tries, pauses.length) - 1],
    );
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [client, isSending, term, tries, unsent]);

  const begin = (press: UnsentPress) => {
    setProblem(null);
    setTries(0);
    setUnsent(press);
    setSending(true);
  };
  return {
    /** What did not reach the server yet. */
    unsent,
    isSending,
    /** Whether it is being tried again. */
    isTryingAgain: isSending && tries > 0,
    problem,
    press: (lines: readonly Line[]) => begin(newPress(term, lines)),
    sendAgain: () => unsent && begin(unsent),
    forgetUnsent: () => {
      forgetPress(term);
      setUnsent(null);
    },
  };
}

export type Pressing = ReturnType<typeof usePress>;
