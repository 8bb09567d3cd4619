import { counted } from '@/wording/counted';

export const wording = {
  gone: (count: number) => `${counted.seats(count)} went while you looked`,
};
