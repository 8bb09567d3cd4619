import { type RefObject, useEffect } from 'react';
import { takesKeys } from '@/lib/keys';
import { areSingleKeysOn } from '@/lib/singleKeys';
import { useUndoKeys } from '@/lib/useUndoKeys';

type Keys = { box: RefObject<HTMLInputElement | null>; undo: () => void; redo: () => void };

/** `/` goes to the box; undo and redo as everywhere. */
export function useFinderKeys({ box, undo, redo }: Keys): void {
  useUndoKeys({ undo, redo });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.ctrlKey || event.metaKey) return;
      if (takesKeys(event.target) || !areSingleKeysOn()) return;
      box.current?.focus();
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}
