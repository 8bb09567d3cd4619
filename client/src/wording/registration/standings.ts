import { sayOrdinal } from '@/wording/counts';

export const wording = {
  registered: 'registered',
  sentShort: 'sent',
  refused: 'refused',
  place: (place: number) => sayOrdinal(place),
  sent: 'sent, no answer yet',
  waiting: (place: number) => `waiting, ${sayOrdinal(place)}`,
};
