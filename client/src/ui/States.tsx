import { useEffect, useState } from 'react';
import { Button } from './Button';
import { Message } from './Message';
import { wording } from '@/wording/ui/States';
import { common } from '@/wording/common';

/** Shown only when loading takes long enough to notice. */
export function Loading() {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), 150);
    return () => clearTimeout(timer);
  }, []);
  return (
    <div className="flex min-h-0 flex-1" role="status" aria-label={wording.loading}>
      {late && (
        <>
          <div className="w-[316px] border-r border-rule bg-sheet max-md:hidden" />
          <div className="flex flex-1 flex-col gap-px p-4 pt-20">
            {[1, 2, 3, 4, 5].map((band) => (
              <div key={band} className="flex-1 bg-hair motion-safe:animate-pulse" />
            ))}
          </div>
        </>
      )}
    </div>
  );
}

type FailureProps = { what: string; problem: Error; onRetry?: () => void };

/** Something did not work: what, why, and another try. */
export function Failure({ what, problem, onRetry }: FailureProps) {
  return (
    <div role="alert" className="flex flex-1">
      <Message title={what} heading="h1">
        <p>{wording.whatSavedSafe(problem.message)}</p>
        {onRetry && (
          <Button look="main" onClick={onRetry}>
            {common.tryAgain}
          </Button>
        )}
      </Message>
    </div>
  );
}
