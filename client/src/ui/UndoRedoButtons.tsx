import { Redo2, Undo2 } from 'lucide-react';
import { IconButton } from './IconButton';
import { wording } from '@/wording/ui/UndoRedoButtons';
import { common } from '@/wording/common';

type Props = { canUndo: boolean; canRedo: boolean; onUndo: () => void; onRedo: () => void };

/** Takes the last change back, or makes it again. */
export function UndoRedoButtons({ canUndo, canRedo, onUndo, onRedo }: Props) {
  return (
    <>
      <IconButton label={common.undo} disabled={!canUndo} onClick={onUndo}>
        <Undo2 size={16} aria-hidden="true" />
      </IconButton>
      <IconButton label={wording.redo} disabled={!canRedo} onClick={onRedo}>
        <Redo2 size={16} aria-hidden="true" />
      </IconButton>
    </>
  );
}
