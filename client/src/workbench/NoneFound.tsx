import type { Answer } from '@/api/client';
import { Button } from '@/ui/Button';
import { Message } from '@/ui/Message';

type Props = {
  answer: Answer;
  musts: readonly string[];
  hasBlocks: boolean;
  canUndo: boolean;
  onUndo: () => void;
  onSetAside: (course: string) => void;
};

const mostOffered = 2;

/** There is no timetable: says so, names a course that is impossible by itself, and offers the way back. */
export function NoneFound({ answer, musts, hasBlocks, canUndo, onUndo, onSetAside }: Props) {
  const dead = answer.courses.filter((one) => musts.includes(one.course) && one.sectionsInPlay === 0);
  return (
    <Message title="No timetable is possible">
      <p>
        {dead.length === 0
          ? `These courses${hasBlocks ? ' and the hours you can’t' : ''} cannot all hold together. Set a course aside${hasBlocks ? ', or give some hours back' : ''}.`
          : `${sayList(dead.map((one) => one.course))} cannot be taken even alone: every way to take ${dead.length === 1 ? 'it' : 'them'} is full, closed${hasBlocks ? ' or in hours you can’t' : ''}.`}
      </p>
      <div className="flex flex-wrap justify-center gap-2">
        {canUndo && <Button onClick={onUndo}>Undo the last change</Button>}
        {dead.slice(0, mostOffered).map((one) => (
          <Button key={one.course} onClick={() => onSetAside(one.course)}>
            Set {one.course} aside
          </Button>
        ))}
      </div>
    </Message>
  );
}

function sayList(items: string[]): string {
  return new Intl.ListFormat('en', { style: 'long', type: 'conjunction' }).format(items);
}
