import { useQuery } from '@tanstack/react-query';
import { meQuery } from '@/api/recordQueries';
import { registrationQuery } from '@/api/registrationQueries';

/** What the registrar says of a term, wherever one is; nothing for who is not signed in as a student. */
export function useRegistration(term: string) {
  const me = useQuery(meQuery);
  return useQuery({
    ...registrationQuery(term),
    enabled: me.data?.person?.role === 'student' && term !== '',
  });
}
