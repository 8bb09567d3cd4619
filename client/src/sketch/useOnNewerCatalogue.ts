import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { termsQuery } from '@/api/queries';

/** Calls back when a newer catalogue has come while the page is open. */
export function useOnNewerCatalogue(onNewer: () => void): void {
  const version = useQuery(termsQuery).data?.catalogueVersion;
  const latest = useRef({ version, onNewer });
  useEffect(() => {
    const before = latest.current.version;
    latest.current = { version, onNewer };
    if (before !== undefined && version !== before) onNewer();
  });
}
