import { sayMoment } from '@/wording/moments';

export const wording = {
  registrarSilent: 'The registrar does not answer just now.',
  onItsWay: 'Sent, no answer yet',
  noAnswerYet: 'Sent, no answer yet:',
  courses: (courses: readonly string[]) => ` ${courses.join(', ')}`,
  sentAt: (moment: string, timeZone: string) => `, at ${sayMoment(moment, timeZone)}`,
  askedAgain: 'It is asked for by itself until it is known, and nothing is done twice.',
};
