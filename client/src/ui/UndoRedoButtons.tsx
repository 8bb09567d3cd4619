import { Redo2, Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';

type Props = { canUndo: boolean; canRedo: boolean; onUndo: () => void; onRedo: () => void };

/** Takes the last change back, or makes it again. */
export function UndoRedoButtons({ canUndo, canRedo, onUndo, onRedo }: Props) {
  return (
    <>
      <IconButton label="Undo" disabled={!canUndo} onClick={onUndo}>
        <Undo2 size={16} aria-hidden="true" />
      </IconButton>
      <IconButton label="Redo" disabled={!canRedo} onClick={onRedo}>
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
