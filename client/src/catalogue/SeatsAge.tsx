import { useEffect, useState } from 'react';
import type { Course } from '@/api/client';
import { sayAge } from '@/wording/ages';
import { wording } from '@/wording/catalogue/SeatsAge';

const minute = 60_000;

/** Whether the seat figures change as seats do, or how old they are while the registrar is not heard. */
export function SeatsAge({ course }: { course: Course }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), minute / 2);
    return () => clearInterval(timer);
  }, []);
  return (
    <span role="status">
      {course.areSeatsLive ? wording.live : wording.seatsAge(sayAge(course.seatsAsOf, now))}
    </span>
  );
}
