import { X } from 'lucide-react';
import type { TimeBlock } from '@/api/client';
import { sayBlock, sayBlockInFull } from '@/grid/blocks';

type Props = {
  blocks: readonly TimeBlock[];
  onOpen: (index: number) => void;
  onRemove: (index: number) => void;
};

export function BlockList({ blocks, onOpen, onRemove }: Props) {
  return (
    <ul aria-label="Hours taken out">
      {blocks.map((block, index) => (
        <li key={index} className="flex items-center gap-2 border-b border-hair">
          <button
            type="button"
            onClick={() => onOpen(index)}
            className="flex min-w-0 flex-1 items-center gap-2.5 py-2 text-left hover:text-plum"
          >
            <span className="hatch size-4 shrink-0 border border-rule" aria-hidden="true" />
            <span className="min-w-0 truncate">
              Can’t {sayBlock(block)}
              {block.label !== '' && <span className="text-mute">, {block.label}</span>}
            </span>
          </button>
          <button
            type="button"
            aria-label={`Remove: ${sayBlockInFull(block)}`}
            onClick={() => onRemove(index)}
            className="rounded-[3px] p-1 text-mute hover:bg-hair hover:text-ink"
          >
            <X size={14} aria-hidden="true" />
          </button>
        </li>
      ))}
    </ul>
  );
}
