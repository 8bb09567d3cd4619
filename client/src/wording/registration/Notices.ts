import { sayMoment } from '@/wording/moments';

export const wording = {
  notices: 'What happened',
  at: (moment: string) => sayMoment(moment),
  seen: 'Seen',
};
