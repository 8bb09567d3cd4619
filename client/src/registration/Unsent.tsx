import { Button } from '@/ui/Button';
import type { Pressing } from './usePress';
import { wording } from '@/wording/registration/Unsent';

/** What was pressed and has not reached Hour Grid: said plainly, tried again, and never sent twice. */
export function Unsent({ pressing }: { pressing: Pressing }) {
  const { unsent, isSending, isTryingAgain, problem } = pressing;
  const look = 'flex flex-wrap items-center gap-3 border-b bg-sheet px-4 py-1.5 text-12 print:hidden';
  if (problem !== null)
    return (
      <p role="alert" className={`${look} border-brick text-brick`}>
        {problem}
      </p>
    );
  if (!unsent) return null;
  if (isSending)
    return isTryingAgain ? (
      <p role="status" className={`${look} border-rule`}>
        {wording.tryingAgain}
      </p>
    ) : null;
  return (
    <div role="alert" className={`${look} border-brick`}>
      <p className="flex-1">{wording.didNotLeave(unsent.lines.map((line) => line.course))}</p>
      <Button onClick={pressing.sendAgain}>{wording.sendNow}</Button>
      <Button look="quiet" onClick={pressing.forgetUnsent}>
        {wording.forgetIt}
      </Button>
    </div>
  );
}
