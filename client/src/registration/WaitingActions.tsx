import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import type { RowProps } from './CourseRow';
import { leaveLine } from './lines';
import { wording } from '@/wording/registration/WaitingActions';

/** A place in line can be left; it does not come back. */
export function WaitingActions({ state, registered }: RowProps) {
  const [isAsking, setAsking] = useState(false);
  if (state.kind !== 'waiting') return null;
  return (
    <>
      <Button
        className="px-2! py-0.5! text-12! whitespace-nowrap"
        aria-label={wording.leaveLineOf(state.course)}
        onClick={() => setAsking(true)}
      >
        {wording.leaveLine}
      </Button>
      {isAsking && (
        <Dialog open onOpenChange={setAsking} title={wording.leaveLineOf(state.course)} isForReading>
          <p>{wording.placeGoes(state.waiting.place, state.waiting.of)}</p>
          <div className="mt-4 flex justify-end gap-2">
            <Button onClick={() => setAsking(false)}>{wording.stay}</Button>
            <Button
              look="main"
              onClick={() => {
                registered.pressing.press([leaveLine(state.course, state.waiting.id)]);
                setAsking(false);
              }}
            >
              {wording.leave}
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
