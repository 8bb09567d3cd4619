import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

/** Asks again for what other windows may have changed while this one was out of view and may have slept. */
export function useReturn(): void {
  const client = useQueryClient();
  useEffect(() => {
    const back = () => {
      if (document.visibilityState !== 'visible') return;
      void client.invalidateQueries({
        predicate: ({ queryKey }) => queryKey[0] === 'sketch' || queryKey[0] === 'picks',
      });
    };
    document.addEventListener('visibilitychange', back);
    return () => document.removeEventListener('visibilitychange', back);
  }, [client]);
}
