import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { termsQuery } from '@/api/queries';

/** A subject as one reads it, by its code: "ACO Acoustics"; the code alone where it has no name. */
export function useSubjectNames(): (code: string) => string {
  const { data } = useQuery(termsQuery);
  return useMemo(() => {
    const names = new Map(data?.subjects.map((subject) => [subject.code, subject.name]));
    return (code) => {
      const name = names.get(code);
      return name === undefined ? code : `${code} ${name}`;
    };
  }, [data]);
}
