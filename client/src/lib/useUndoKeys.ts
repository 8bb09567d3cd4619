import { undoKeyOf } from './keys';
import { useKeyDown } from './useKeyDown';

type Steps = { undo: () => void; redo: () => void };

/** Undo and redo by key, wherever the focus is; typed text keeps its own. */
export function useUndoKeys(steps: Steps): void {
  useKeyDown((event) => {
    const key = undoKeyOf(event);
    if (!key) return;
    event.preventDefault();
    steps[key]();
  });
}
