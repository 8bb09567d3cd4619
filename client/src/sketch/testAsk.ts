import type { Ask } from '@/api/client';
import { weightsOf } from './measures';

const noLimits: Ask['dayLimits'] = {
  earliestStart: null,
  latestEnd: null,
  daysOff: [],
  maxDays: null,
  maxMinutesPerDay: null,
  maxStretchMinutes: null,
  minutesBetween: 0,
};

/** For tests: weights of nothing but what they need. */
export function testWeights(change: Partial<Ask['weights']> = {}): Ask['weights'] {
  return weightsOf({ soft: 50, breaksMissed: 50, wanted: 100, ...change });
}

/** For tests: an ask that asks nothing, changed as they need it. */
export function testAsk(change: Partial<Ask> = {}): Ask {
  return {
    format: 'hour-grid-ask',
    version: 1,
    term: '2027SP',
    wanted: [],
    eitherOr: [],
    credits: { min: null, max: null },
    timeBlocks: [],
    breaks: [],
    dayLimits: noLimits,
    campus: { allowed: [], preferred: null, respectTravel: true, onePerDay: false },
    modes: [],
    seats: 'open',
    registered: [],
    weights: testWeights(),
    off: {
      timeBlocks: [],
      breaks: [],
      dayLimits: noLimits,
      campuses: [],
      modes: [],
      credits: { min: null, max: null },
    },
    ...change,
  };
}
