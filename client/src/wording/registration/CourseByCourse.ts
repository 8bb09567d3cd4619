import { sayMoment } from '@/wording/moments';

type Press = { sentUtc: string; answeredUtc: string | null };

export const wording = {
  courseByCourse: 'Course by course',
  beforeSending: 'what stands in the way of each, and what to do if it is full',
  sentAt: ({ sentUtc, answeredUtc }: Press) => {
    const sent = `sent at ${sayMoment(sentUtc)}`;
    if (answeredUtc === null) return `${sent}, no answer yet. It is asked for until it is known.`;
    const seconds = (Date.parse(answeredUtc) - Date.parse(sentUtc)) / 1_000;
    return `${sent}, answered in ${seconds.toFixed(1)} s. What is registered stands, whatever becomes of the rest.`;
  },
};
