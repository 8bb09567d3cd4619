import { useSyncExternalStore } from 'react';

const narrow = window.matchMedia('(max-width: 47.99rem)');

function subscribe(changed: () => void): () => void {
  narrow.addEventListener('change', changed);
  return () => narrow.removeEventListener('change', changed);
}

/** Whether the page is as narrow as a phone, or as a window at high zoom. */
export function useIsNarrow(): boolean {
  return useSyncExternalStore(subscribe, () => narrow.matches);
}
