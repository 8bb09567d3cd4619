import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ApiError, type Line } from '@/api/client';
import { wording } from '@/wording/domain/usePressElsewhere';
import { deliverPress, forgetPress, newPress, recallPress } from './unsentPress';

/** Sends lines from another place than the Registration, and goes there to see what comes of them. */
export function usePressElsewhere(term: string) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [isSending, setSending] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  /** Gives whether the server has taken them. */
  const press = async (lines: readonly Line[]): Promise<boolean> => {
    if (recallPress(term)) {
      setProblem(wording.oneIsUnsent);
      return false;
    }
    setSending(true);
    setProblem(null);
    try {
      await deliverPress(client, term, newPress(term, lines));
      await navigate(`/${term}/registration`);
      return true;
    } catch (error) {
      // What may pass is kept: the Registration offers to send it again, with the same key.
      if (error instanceof ApiError && !error.mayPass) forgetPress(term);
      setProblem(error instanceof Error ? error.message : wording.couldNotBeSent);
      return false;
    } finally {
      setSending(false);
    }
  };
  return { press, isSending, problem };
}
