import { sayOrdinal } from '@/wording/counts';

export const wording = {
  registered: 'registered',
  sent: 'sent, no answer yet',
  waiting: (place: number) => `waiting, ${sayOrdinal(place)}`,
};
