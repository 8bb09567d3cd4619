import { joinOr } from '@/wording/lists';

export const wording = {
  ifFull: 'If it is full:',
  nothing: 'nothing; prepare a swap below',
  take: (swaps: readonly string[]) => `take ${joinOr(swaps)}`,
  takeThenWait: (swaps: readonly string[]) => `take ${joinOr(swaps)}, else wait`,
  waitAtOnce: 'wait at once',
  wait: 'wait in line',
};
