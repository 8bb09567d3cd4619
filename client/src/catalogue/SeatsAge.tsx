import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { call, type Course, http } from '@/api/client';
import { courseQuery, isOfCatalogue } from '@/api/queries';
import { sayAge } from '@/wording/ages';
import { wording } from '@/wording/catalogue/SeatsAge';

const minute = 60_000;

/** How old the seat figures are, and a way to get new ones. */
export function SeatsAge({ term, course }: { term: string; course: Course }) {
  const client = useQueryClient();
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), minute / 2);
    return () => clearInterval(timer);
  }, []);
  const refresh = useMutation({
    mutationFn: () =>
      call(
        http.POST('/api/terms/{term}/courses/{course}/seats', {
          params: { path: { term, course: course.id } },
        }),
      ),
    onSuccess: (fresh) => {
      setNow(Date.now());
      client.setQueryData(courseQuery(term, course.id).queryKey, fresh);
      // Whatever was answered from the older seats may be different now.
      void client.invalidateQueries({
        predicate: ({ queryKey }) => isOfCatalogue(queryKey) && queryKey[0] !== 'course',
      });
    },
  });
  return (
    <span role="status">
      {refresh.isError
        ? wording.seatsNotRefreshed(refresh.error.message)
        : wording.seatsAge(sayAge(course.seatsAsOf, now))}{' '}
      <button
        type="button"
        disabled={refresh.isPending}
        onClick={() => refresh.mutate()}
        className="font-strong text-plum hover:underline disabled:opacity-50"
      >
        {wording.refresh}
      </button>
    </span>
  );
}
