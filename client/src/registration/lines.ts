import type { Line } from '@/api/client';

const plain = { ifFull: 'leave', instead: [], givingUp: [], group: null, leaving: null };

export const dropLine = (course: string, held: readonly string[]): Line => ({
  ...plain,
  course,
  sections: [],
  givingUp: [...held],
});

export const leaveLine = (course: string, place: number): Line => ({
  ...plain,
  course,
  sections: [],
  leaving: place,
});
