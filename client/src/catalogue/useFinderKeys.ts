import type { RefObject } from 'react';
import { letterKeys, useLetterKeys } from '@/lib/letterKeys';
import { useUndoKeys } from '@/lib/useUndoKeys';

type Keys = { box: RefObject<HTMLInputElement | null>; undo: () => void; redo: () => void };

/** `/` goes to the box; undo and redo as everywhere. */
export function useFinderKeys({ box, undo, redo }: Keys): void {
  useUndoKeys({ undo, redo });
  useLetterKeys(letterKeys.catalogue, () => box.current?.focus());
}
