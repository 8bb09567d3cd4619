import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { call, type Course, http } from '@/api/client';
import { courseQuery, isOfCatalogue } from '@/api/queries';

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
        ? `Seats not refreshed: ${refresh.error.message}`
        : `Seats ${sayAge(course.seatsAsOf, now)}`}{' '}
      <button
        type="button"
        disabled={refresh.isPending}
        onClick={() => refresh.mutate()}
        className="font-strong text-plum hover:underline disabled:opacity-50"
      >
        Refresh
      </button>
    </span>
  );
}

export function sayAge(asOf: string, now: number): string {
  const minutes = Math.floor((now - Date.parse(asOf)) / minute);
  if (minutes < 1) return 'as of just now';
  if (minutes < 60) return `as of ${minutes} min ago`;
  const hours = Math.floor(minutes / 60);
  if (hours < 24) return `as of ${hours} h ago`;
  const days = Math.floor(hours / 24);
  return `as of ${days} ${days === 1 ? 'day' : 'days'} ago`;
}
