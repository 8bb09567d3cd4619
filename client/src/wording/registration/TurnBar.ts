import { counted } from '@/wording/counted';
import { sayMoment, sayUntil } from '@/wording/moments';

export const wording = {
  over: 'Registration is over',
  yourTurn: 'It is your turn',
  notKnown: 'Your turn is not known yet',
  in: (ms: number) => `Your turn is in ${sayUntil(ms)}`,
  nothingToSend: 'Nothing can be sent.',
  readyOf: (ready: number, courses: number) =>
    ready === courses
      ? 'Nothing stands in the way.'
      : `${courses - ready} of ${courses} would be refused as things stand.`,
  turnAt: (opens: number, timeZone: string, now: number) =>
    `${sayMoment(opens, timeZone, now)}, by the registrar’s clock`,
  soundOn: 'With a sound',
  soundOff: 'Without a sound',
  register: (count: number) => `Register ${counted.courses(count)}`,
};
