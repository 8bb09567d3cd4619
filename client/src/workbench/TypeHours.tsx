import { useId, useState } from 'react';
import type { TimeBlock } from '@/api/client';
import { readBlock } from './readBlocks';

/** Hours typed in one line: "tue thu 8-12 shift". */
export function TypeHours({ onAdd }: { onAdd: (block: TimeBlock) => void }) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <form
      className="py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim() === '') return;
        const read = readBlock(typed);
        if ('problem' in read) setProblem(read.problem);
        else {
          onAdd(read.block);
          setTyped('');
          setProblem(null);
        }
      }}
    >
      <input
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setProblem(null);
        }}
        maxLength={200}
        aria-label="Type hours you can’t"
        aria-invalid={problem !== null}
        aria-describedby={id}
        placeholder="Type hours: tue thu 8-12 shift"
        className="w-full rounded-[4px] border border-rule bg-sheet px-2.5 py-1 text-12 placeholder:text-mute focus:border-plum aria-invalid:border-brick"
      />
      <p id={id} role={problem ? 'alert' : undefined} className="text-12 text-brick">
        {problem}
      </p>
    </form>
  );
}
