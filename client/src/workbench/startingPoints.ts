import { type Weights, weightsOf } from '@/wording/measures';
import { wording } from '@/wording/workbench/startingPoints';

const nothing = weightsOf({ soft: 50, breaksMissed: 50, wanted: 100 });

/** Weights to start from, named by what they are for. */
export const startingPoints: { name: string; weights: Weights }[] = [
  { name: wording.bitOfEverything, weights: { ...nothing, classDays: 60, idle: 60, moves: 20 } },
  { name: wording.fewDaysOnCampus, weights: { ...nothing, classDays: 100, idle: 20, moves: 20 } },
  { name: wording.sleepIn, weights: { ...nothing, laterStart: 100, idle: 20 } },
  { name: wording.doneEarly, weights: { ...nothing, earlierFinish: 100, idle: 20 } },
  { name: wording.noWaitingAround, weights: { ...nothing, idle: 100, moves: 30 } },
  { name: wording.easyDays, weights: { ...nothing, stretch: 100, breaksMissed: 80 } },
  { name: wording.sureToGet, weights: { ...nothing, seats: 100, classDays: 20, idle: 20 } },
];
