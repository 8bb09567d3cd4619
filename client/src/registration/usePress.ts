import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { ApiError, type Line } from '@/api/client';
import { sendPress } from '@/api/registrationQueries';
import { forget, recall, remember } from '@/lib/browserStore';
import { newId } from '@/lib/newId';
import type { Registration } from '@/api/client';

type Unsent = { key: string; lines: Line[]; sentUtc: string };

const isUnsent = (value: unknown): value is Unsent =>
  typeof value === 'object' && value !== null && 'key' in value && 'lines' in value && 'sentUtc' in value;

/** Pauses between tries, in milliseconds; the last goes on. */
const pauses = [200, 500, 1_000, 2_000, 4_000];

/**
 * Sends lines to be registered. Each press has a key, and stands in the browser's store until the server has it: whatever
 * breaks, it is sent again with that key and done once.
 */
export function usePress(term: string, registration: Registration) {
  const client = useQueryClient();
  const name = `press.${term}`;
  const [unsent, setUnsent] = useState<Unsent | null>(() => recall(name, isUnsent));
  const [tries, setTries] = useState(0);
  const [isSending, setSending] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const isThere = unsent !== null && registration.presses.some((press) => press.key === unsent.key);
  if (isThere) {
    forget(name);
    setUnsent(null);
    setSending(false);
  }

  useEffect(() => {
    if (!unsent || !isSending) return undefined;
    let isOver = false;
    const settle = () => {
      forget(name);
      setSending(false);
      setUnsent(null);
    };
    const timer = setTimeout(
      () =>
        void sendPress(term, unsent.key, unsent.lines).then(
          () => {
            settle();
            return client.invalidateQueries({ queryKey: ['registration', term] });
          },
          (error: unknown) => {
            if (isOver) return;
            if (error instanceof ApiError && error.mayPass) {
              setTries((count) => count + 1);
              return;
            }
            setProblem(error instanceof Error ? error.message : String(error));
            settle();
          },
        ),
      tries === 0 ? 0 : pauses[Math.min(tries, pauses.length) - 1],
    );
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [client, isSending, name, term, tries, unsent]);

  const begin = (press: Unsent) => {
    remember(name, press);
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
    press: (lines: readonly Line[]) =>
      begin({ key: newId().replaceAll('-', ''), lines: [...lines], sentUtc: new Date().toISOString() }),
    sendAgain: () => unsent && begin(unsent),
    forgetUnsent: () => {
      forget(name);
      setUnsent(null);
    },
  };
}

export type Pressing = ReturnType<typeof usePress>;
