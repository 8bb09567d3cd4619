import { useEffect, useState } from 'react';
import { Button } from './Button';
import { Message } from './Message';

/** Shown only when loading takes long enough to notice. */
export function Loading() {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), 150);
    return () => clearTimeout(timer);
  }, []);
  return (
    <div className="flex min-h-0 flex-1" role="status" aria-label="Loading">
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
        <p>{problem.message} What you saved is safe.</p>
        {onRetry && (
          <Button look="main" onClick={onRetry}>
            Try again
          </Button>
        )}
      </Message>
    </div>
  );
}
