import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { meQuery, recordQuery } from '@/api/recordQueries';

/** What the adviser of who is signed in recommended, and how the approval of a term stands. */
export function useAdvice(term: string) {
  const me = useQuery(meQuery);
  const { data } = useQuery({ ...recordQuery, enabled: me.data?.person?.role === 'student' });
  const record = data?.record;
  return useMemo(
    () => ({
      /** Why, by course; why may be empty. */
      recommended: new Map(record?.recommended.map((one) => [one.course, one.words])),
      /** `needed`, `given`, or null where none is needed or nothing is known. */
      approval: approvalOf(record?.approvals[term]),
    }),
    [record, term],
  );
}

function approvalOf(approval: string | undefined): 'needed' | 'given' | null {
  return approval === 'needed' || approval === 'given' ? approval : null;
}
