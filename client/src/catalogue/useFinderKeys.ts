import { type RefObject, useEffect } from 'react';
import { takesText } from '@/lib/keys';

type Keys = { box: RefObject<HTMLInputElement | null>; undo: () => void; redo: () => void };

/** `/` goes to the box; undo and redo as everywhere. */
export function useFinderKeys({ box, undo, redo }: Keys): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const command = event.ctrlKey || event.metaKey;
      if (takesText(event.target)) return;
      if (event.key === '/' && !command) box.current?.focus();
      else if (command && event.key.toLowerCase() === 'z' && event.shiftKey) redo();
      else if (command && event.key.toLowerCase() === 'z') undo();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}
