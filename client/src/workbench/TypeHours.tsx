import { type SyntheticEvent, useId, useState } from 'react';
import type { TimeBlock } from '@/api/client';
import { sayBlock } from '@/grid/blocks';
import { readBlocks } from './readBlocks';
import { wording } from '@/wording/workbench/TypeHours';
import { common } from '@/wording/common';

const mostShown = 8;

/** Hours typed in words, one after the other: "tue thu 8-12 shift; fri 9-11". What will be taken stands under the field. */
export function TypeHours({ onAdd }: { onAdd: (blocks: readonly TimeBlock[]) => void }) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const [isTold, setTold] = useState(false);
  const lines = readBlocks(typed);
  const blocks = lines.flatMap(({ line }) => ('block' in line ? [line.block] : []));
  const isWhole = blocks.length === lines.length;

  /** All are taken, or none with the part that is wrong. */
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    if (!isWhole || lines.length === 0) {
      setTold(lines.length > 0);
      return;
    }
    onAdd(blocks);
    setTyped('');
    setTold(false);
  };

  return (
    <form className="py-1.5" onSubmit={submit}>
      <input
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setTold(false);
        }}
        onPaste={(event) => {
          // A field of one line would run the lines of what is pasted together.
          const text = event.clipboardData.getData('text');
          if (!/[\r\n]/.test(text.trim())) return;
          event.preventDefault();
          setTyped((now) =>
            [now, ...text.split(/[\r\n]+/)]
              .map((part) => part.trim())
              .filter((part) => part !== '')
              .join('; '),
          );
          setTold(false);
        }}
        maxLength={4000}
        aria-label={wording.typeHoursCant}
        aria-invalid={isTold && !isWhole}
        aria-describedby={id}
        placeholder={wording.example}
        className="w-full rounded-[4px] border border-rule bg-sheet px-2.5 py-1 text-12 placeholder:text-mute focus:border-plum aria-invalid:border-brick"
      />
      <div id={id} role={isTold && !isWhole ? 'alert' : 'status'} className="text-12">
        {lines.length > 0 && (
          <>
            <ul className="mt-1">
              {lines.slice(0, mostShown).map(({ part, line }, i) => (
                <li key={i} className="break-words">
                  {'block' in line ? (
                    <>
                      {line.block.strength === 'cannot' ? common.cant : common.ratherNot}:{' '}
                      {sayBlock(line.block)}
                    </>
                  ) : (
                    <span className={isTold ? 'text-brick' : 'text-mute'}>
                      “{part.slice(0, 40)}”: {line.problem}
                    </span>
                  )}
                </li>
              ))}
            </ul>
            {lines.length > mostShown && (
              <p className="text-mute">{common.andMore(lines.length - mostShown)}</p>
            )}
            {isWhole && (
              <p className="text-mute">
                {wording.enterTakes(lines.length === 1 ? wording.theOne : wording.allLines(lines.length))}
              </p>
            )}
          </>
        )}
      </div>
    </form>
  );
}
