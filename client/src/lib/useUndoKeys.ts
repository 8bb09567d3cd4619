import { useEffect } from 'react';
import { undoKeyOf } from './keys';
import { useStable } from './useStable';

type Steps = { undo: () => void; redo: () => void };

/** Undo and redo by key, wherever the focus is; typed text keeps its own. */
export function useUndoKeys({ undo, redo }: Steps): void {
  const steps = useStable({ undo, redo });
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      const key = undoKeyOf(event);
      if (!key) return;
      event.preventDefault();
      steps[key]();
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, [steps]);
}
