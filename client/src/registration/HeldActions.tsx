import { useState } from 'react';
import { Button } from '@/ui/Button';
import type { RowProps } from './CourseRow';
import { DropDialog } from './DropDialog';
import { useOpenChange } from './useOpenChange';
import { wording } from '@/wording/registration/HeldActions';

const small = 'px-2! py-0.5! text-12! whitespace-nowrap';

/** What can be done with a course that is held: dropped, or swapped in a sketch that keeps the rest. */
export function HeldActions({ state, visit, view, registered }: RowProps) {
  const [isDropping, setDropping] = useState(false);
  const change = useOpenChange(visit, registered.standing);
  if (state.kind !== 'held' || registered.standing.standing.phase === 'closed') return null;
  return (
    <>
      <Button
        look="quiet"
        className={small}
        aria-label={wording.dropCourse(state.course)}
        onClick={() => setDropping(true)}
      >
        {wording.drop}
      </Button>
      <Button
        look="quiet"
        className={small}
        aria-label={wording.swapCourse(state.course)}
        disabled={change.isOpening}
        onClick={() => void change.open(state.course)}
      >
        {wording.swap}
      </Button>
      {change.problem !== null && (
        <span role="alert" className="text-brick">
          {change.problem}
        </span>
      )}
      {isDropping && (
        <DropDialog
          term={visit.term.id}
          held={state.held}
          sections={view.sections}
          pressing={registered.pressing}
          onClose={() => setDropping(false)}
        />
      )}
    </>
  );
}
