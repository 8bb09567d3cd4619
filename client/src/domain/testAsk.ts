import type { Ask, Measures } from '@/api/client';
import { noLimits } from '@/wording/dayLimits';
import { measureList, weightsOf } from '@/wording/measures';

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

/** For tests: measures of nothing. */
export const noMeasures = Object.fromEntries(
  Object.keys(measureList).map((name) => [name, 0]),
) as unknown as Measures;
