import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { termsQuery } from '@/api/queries';

/** The name of a campus by its id; the id where it has none. */
export function useCampusNames(): (id: string) => string {
  const { data } = useQuery(termsQuery);
  return useMemo(() => {
    const names = new Map(data?.campuses.map((campus) => [campus.id, campus.name]));
    return (id) => names.get(id) ?? id;
  }, [data]);
}
