import { useId, useState } from 'react';
import type { TimeBlock } from '@/api/client';
import { readBlock } from './readBlocks';

/** Lines that are taken from one paste. */
const mostLines = 100;

/** Hours typed in one line: "tue thu 8-12 shift". */
export function TypeHours({ onAdd }: { onAdd: (blocks: readonly TimeBlock[]) => void }) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  /** Several lines at once are all taken, or none with the line that is wrong. */
  const paste = (lines: readonly string[]) => {
    const blocks: TimeBlock[] = [];
    for (const [i, line] of lines.entries()) {
      const read = readBlock(line);
      if ('problem' in read) {
        setProblem(`Line ${i + 1}, “${line.slice(0, 40)}”: ${read.problem}`);
        return;
      }
      blocks.push(read.block);
    }
    onAdd(blocks);
    setProblem(null);
  };
  return (
    <form
      className="py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim() === '') return;
        const read = readBlock(typed);
        if ('problem' in read) setProblem(read.problem);
        else {
          onAdd([read.block]);
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
        onPaste={(event) => {
          const lines = event.clipboardData
            .getData('text')
            .split(/\r?\n/)
            .map((line) => line.trim())
            .filter((line) => line !== '');
          if (lines.length < 2) return;
          event.preventDefault();
          paste(lines.slice(0, mostLines));
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
