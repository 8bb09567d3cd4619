import { sayMoment } from '@/wording/moments';

export const wording = {
  notices: 'What happened',
  at: (moment: string, timeZone: string) => sayMoment(moment, timeZone),
  seen: 'Seen',
};
