import { sayChanges } from '@/wording/changes';
import { countOf } from '@/wording/counts';

export const wording = {
  changeOfHeld: 'Change of what is held',
  held: 'What is held',
  stays: 'stays',
  released: 'released',
  release: 'Release',
  releaseCourse: (course: string) => `Release ${course}: it may be swapped or dropped`,
  keep: 'Keep',
  keepCourse: (course: string) => `Keep ${course} as it is held`,
  thisOne: (plan: { swaps: number; drops: number; adds: number }) => `This one: ${sayChanges(plan)}`,
  fewestChanges: 'In order of fewest changes',
  send: (changes: number) => (changes === 0 ? 'Nothing to send' : `Send ${countOf(changes, 'change')}`),
};
