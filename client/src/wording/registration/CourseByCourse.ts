import { sayMoment } from '@/wording/moments';

export const wording = {
  courseByCourse: 'Course by course',
  againstAll: 'What stands in the way of every course',
  beforeSending: 'what stands in the way of each, and what to do if it is full',
  sentAt: (at: number, seconds: number | null, timeZone: string) =>
    seconds === null
      ? `sent at ${sayMoment(at, timeZone, at)}, no answer yet. It is asked for until it is known.`
      : `sent at ${sayMoment(at, timeZone, at)}, answered in ${seconds.toFixed(1)} s. What is registered stands, whatever becomes of the rest.`,
};
