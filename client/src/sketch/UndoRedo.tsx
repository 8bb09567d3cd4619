import { Redo2, Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Sketch } from '@/api/client';
import type { Edits } from './useSketchEdits';

type Props = { sketch: Sketch; edits: Edits };

/** Takes the last change of the sketch back, or makes it again. */
export function UndoRedo({ sketch, edits }: Props) {
  return (
    <>
      <IconButton label="Undo" disabled={!sketch.canUndo && !edits.notice?.canRetry} onClick={edits.undo}>
        <Undo2 size={16} aria-hidden="true" />
      </IconButton>
      <IconButton label="Redo" disabled={!sketch.canRedo} onClick={edits.redo}>
        <Redo2 size={16} aria-hidden="true" />
      </IconButton>
    </>
  );
}

type IconButtonProps = { label: string; disabled: boolean; onClick: () => void; children: ReactNode };

function IconButton({ label, disabled, onClick, children }: IconButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className="rounded-[4px] p-1.5 hover:bg-hair disabled:cursor-default disabled:text-rule disabled:hover:bg-transparent"
    >
      {children}
    </button>
  );
}
