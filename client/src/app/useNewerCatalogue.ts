import { useQueryClient } from '@tanstack/react-query';
import { isOfCatalogue } from '@/api/queries';
import { useOnNewerCatalogue } from '@/sketch/useOnNewerCatalogue';

/** Asks again for everything a newer catalogue makes out of date. */
export function useNewerCatalogue(): void {
  const client = useQueryClient();
  useOnNewerCatalogue(() => {
    void client.invalidateQueries({ predicate: (query) => isOfCatalogue(query.queryKey) });
  });
}
