import { sayMoment } from '@/wording/moments';

export const wording = {
  history: 'History',
  nothingYet: 'Nothing was sent yet.',
  when: 'When',
  what: 'What',
  cameOfIt: 'What came of it',
  moment: (at: number, timeZone: string) => sayMoment(at, timeZone),
};
