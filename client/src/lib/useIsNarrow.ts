import { useSyncExternalStore } from 'react';

const query = '(max-width: 47.99rem)';

/** Whether the page is as narrow as a phone, or as a window at high zoom. */
export function useIsNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );
}
