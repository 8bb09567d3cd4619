import { useEffect } from 'react';
import { takesText } from './keys';
import { useStable } from './useStable';

type Steps = { undo: () => void; redo: () => void };

/** Undo and redo by key, on a whole page; fields and menus keep their own. */
export function useUndoKeys({ undo, redo }: Steps): void {
  const steps = useStable({ undo, redo });
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (event.defaultPrevented || takesText(event.target)) return;
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      if (event.shiftKey) steps.redo();
      else steps.undo();
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, [steps]);
}
