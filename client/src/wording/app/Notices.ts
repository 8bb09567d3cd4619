import { joinAnd } from '@/wording/lists';
import { sayMoment } from '@/wording/moments';

export const wording = {
  notices: 'What happened',
  at: (moment: number, timeZone: string, aheadMs: number) =>
    sayMoment(moment, timeZone, Date.now() + aheadMs),
  seen: 'Seen',
  toRegistration: 'To the registration',
  register: (courses: readonly string[]) => `Register ${joinAnd(courses)} now`,
};
