import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { isOfCatalogue, termsQuery } from '@/api/queries';

/** Asks again for everything a newer catalogue makes out of date, and what became of the sketches' sections. */
export function useNewerCatalogue(): void {
  const client = useQueryClient();
  const version = useQuery(termsQuery).data?.catalogueVersion;
  const last = useRef(version);
  useEffect(() => {
    const before = last.current;
    last.current = version;
    if (before === undefined || version === before) return;
    void client.invalidateQueries({
      predicate: ({ queryKey }) =>
        isOfCatalogue(queryKey) || queryKey[0] === 'sketch' || queryKey[0] === 'sketches',
    });
  });
}
