import type { KeyboardEvent, PointerEvent } from 'react';
import type { TimeBlock } from '@/api/client';
import { sayHours } from '@/wording/times';
import { along, type Axis, percent } from './axis';
import { hoursOfBlock, moved, onDaysShifted, sayBlockInFull, step, stretched } from './blocks';
import { wording } from '@/wording/grid/BlockBar';

type Props = {
  axis: Axis;
  block: TimeBlock;
  /** Said inside while the block is being changed. */
  live: string | null;
  leavesNone: boolean;
  onMoveStart: (event: PointerEvent) => void;
  onStretchStart: (event: PointerEvent, edge: 'start' | 'end') => void;
  /** Which of all blocks it is, on which day: where the focus goes when keys move it. */
  name: string;
  onChange: (block: TimeBlock | null) => void;
  onOpen: () => void;
};

const handle = 'absolute inset-y-0 z-10 w-2 cursor-ew-resize touch-none';

/** Hours taken out on one day's band: moved and stretched by pointer or keys. */
export function BlockBar(props: Props) {
  const { axis, block, live, leavesNone, onMoveStart, onStretchStart, onChange, onOpen } = props;
  const { start, end } = hoursOfBlock(block);
  const from = Math.max(start, axis.from);
  const to = Math.min(end, axis.to);
  if (to <= from) return null;

  const keyDown = (event: KeyboardEvent) => {
    const next = changedByKey(event, block);
    if (next === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    onChange(next);
  };

  return (
    <div
      className="absolute inset-y-0"
      style={{ left: percent(along(axis, from)), width: percent(along(axis, to) - along(axis, from)) }}
    >
      <button
        type="button"
        data-block={props.name}
        aria-label={sayBlockInFull(block)}
        aria-keyshortcuts="Delete ArrowLeft ArrowRight Shift+ArrowLeft Shift+ArrowRight ArrowUp ArrowDown"
        onKeyDown={keyDown}
        onClick={(event) => {
          // Pointer presses come through the drag; this one is Enter or Space.
          if (event.detail === 0) onOpen();
        }}
        onPointerDown={onMoveStart}
        className={`${block.strength === 'cannot' ? 'hatch' : 'dots'} absolute inset-0 cursor-grab touch-none overflow-hidden border-x text-left ${
          live === null ? 'border-rule' : leavesNone ? 'border-brick' : 'border-plum'
        }`}
      >
        <span
          className={`absolute top-1.5 left-1.5 line-clamp-3 max-w-[calc(100%-10px)] rounded-[2px] break-words bg-sheet px-1 text-11 ${
            live === null ? 'text-ink' : leavesNone ? 'font-heavy text-brick' : 'font-heavy text-plum'
          }`}
        >
          {live ?? sayInside(block)}
        </span>
      </button>
      <div className={`${handle} -left-1`} onPointerDown={(event) => onStretchStart(event, 'start')} />
      <div className={`${handle} -right-1`} onPointerDown={(event) => onStretchStart(event, 'end')} />
    </div>
  );
}

/** What stands in the block: its label, or else its hours; a soft one says that it is. */
function sayInside(block: TimeBlock): string {
  const { start, end } = hoursOfBlock(block);
  if (block.label !== '') return block.label;
  return block.strength === 'cannot' ? sayHours(start, end) : wording.ratherNot;
}

/** The block after a key, null when the key removes it, undefined when the key means nothing here. */
function changedByKey(event: KeyboardEvent, block: TimeBlock): TimeBlock | null | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  const { end } = hoursOfBlock(block);
  switch (event.key) {
    case 'Delete':
    case 'Backspace':
      return null;
    case 'ArrowLeft':
      return event.shiftKey ? stretched(block, 'end', end - step) : moved(block, -step);
    case 'ArrowRight':
      return event.shiftKey ? stretched(block, 'end', end + step) : moved(block, step);
    case 'ArrowUp':
      return onDaysShifted(block, -1);
    case 'ArrowDown':
      return onDaysShifted(block, 1);
    default:
      return undefined;
  }
}
