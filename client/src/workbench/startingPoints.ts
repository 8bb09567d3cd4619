import { type Weights, weightsOf } from '@/domain/measures';

const nothing = weightsOf({ soft: 50, breaksMissed: 50, wanted: 100 });

/** Weights to start from, named by what they are for. */
export const startingPoints: { name: string; weights: Weights }[] = [
  { name: 'A bit of everything', weights: { ...nothing, classDays: 60, idle: 60, moves: 20 } },
  { name: 'Few days on campus', weights: { ...nothing, classDays: 100, idle: 20, moves: 20 } },
  { name: 'Sleep in', weights: { ...nothing, laterStart: 100, idle: 20 } },
  { name: 'Done early', weights: { ...nothing, earlierFinish: 100, idle: 20 } },
  { name: 'No waiting around', weights: { ...nothing, idle: 100, moves: 30 } },
  { name: 'Easy days', weights: { ...nothing, stretch: 100, breaksMissed: 80 } },
  { name: 'Sure to get in', weights: { ...nothing, seats: 100, classDays: 20, idle: 20 } },
];
