import type { Sketch } from '@/api/client';
import { UndoRedoButtons } from '@/ui/UndoRedoButtons';
import type { Edits } from './useSketchEdits';

type Props = { sketch: Sketch; edits: Edits };

/** Takes the last change of the sketch back, or makes it again. */
export function UndoRedo({ sketch, edits }: Props) {
  return (
    <UndoRedoButtons
      canUndo={sketch.canUndo}
      canRedo={sketch.canRedo}
      onUndo={edits.undo}
      onRedo={edits.redo}
    />
  );
}
