import { describe, expect, it } from 'vitest';
import type { Course, PutBy, PutByState, Ranked } from '@/api/client';
import { addCourse, chooseBetween, limitCourse, markSection, wantedOf } from './edits';
import { cardFacts, factsOf, sayFacts } from './facts';
import { sayTenths } from '@/wording/measures';
import { sayLimits, sayTake } from './limits';
import { differsInWeightsAlone, isWalkPosition, nearest } from './walkPosition';
import { sayBroken } from './sayBroken';
import { noMeasures, testAsk, testWeights } from './testAsk';

const measures: Ranked['measures'] = {
  ...noMeasures,
  classDays: 4,
  idleMinutes: 95,
  earliestStart: '09:30',
  latestEnd: '17:45',
  longestDay: 300,
  longestStretch: 150,
  campusMovesTenths: 10,
  seatsToSpare: 1,
  awayMinutes: 60,
  wantedTaken: 5,
};
const ranked = (change: Partial<Ranked['measures']> = {}) =>
  ({ measures: { ...measures, ...change }, credits: 15 }) as Ranked;
const aBitOfAll = testWeights({ classDays: 60, idle: 60, moves: 20 });

describe('the facts of a timetable', () => {
  it('name what they count', () => {
    expect(factsOf(ranked()).map(({ name, value }) => `${value} ${name}`)).toEqual([
      '4 days with class',
      '9:30–17:45 first to last',
      '1 h 35 idle a week',
      '1 campus moves a week',
      '1 fewest seats left',
      '15 credits',
    ]);
  });

  it('say when nothing has set hours', () => {
    const online = ranked({ classDays: 0, earliestStart: null, latestEnd: null });
    expect(factsOf(online)[1]!.value).toBe('no set hours');
    expect(sayFacts(online)).toContain('0 days with class · no set hours');
  });

  it('are one seat, or several', () => {
    expect(sayFacts(ranked())).toContain('1 seat left in the fullest section');
    expect(sayFacts(ranked({ seatsToSpare: 3 }))).toContain('3 seats left in the fullest section');
    expect([sayTenths(15), sayTenths(20)]).toEqual(['1.5', '2']);
  });

  it('on a card are the four that matter most, always in one order', () => {
    expect(cardFacts(ranked(), aBitOfAll)).toEqual(['4 days', 'idle 1 h 35', '9:30–17:45', '1 move']);
    expect(cardFacts(ranked(), testWeights({ seats: 100, classDays: 20, idle: 20 }))).toEqual([
      '4 days',
      'idle 1 h 35',
      '9:30–17:45',
      '1 seat spare',
    ]);
  });

  it('on a card speak of rather-not hours and breaks only where there is something to say', () => {
    const missed = cardFacts(ranked({ softMinutes: 60, breaksMissed: 2 }), aBitOfAll);
    expect(missed).toEqual(['4 days', 'idle 1 h 35', '1 h rather not', '2 breaks missed']);
  });
});

describe('what is asked of one course', () => {
  const course = { id: 'A', sections: [{ number: '1', label: 'L01' }] } as unknown as Course;
  const ask = chooseBetween(
    limitCourse(markSection(markSection(testAsk(), 'A', '1', 'keep'), 'A', '2', 'ruleOut'), 'A', {
      instructors: ['L. Brackwater'],
      modes: ['online'],
      campuses: ['HAR'],
      seats: 'waitlist',
    }),
    'B',
    'A',
  );

  it('is a line each, with labels where the catalogue has them', () => {
    expect(sayLimits(ask, wantedOf(ask, 'A')!, course, () => 'Harbour')).toEqual([
      '1 of this or B',
      'keeps L01',
      'without 2',
      'only with L. Brackwater',
      'only online',
      'only on Harbour',
      'with a seat or a place in the waitlist',
    ]);
  });

  it('is nothing for a course that is just wanted', () => {
    const plain = addCourse(testAsk(), 'A');
    expect(sayLimits(plain, plain.wanted[0]!, course, String)).toEqual([]);
    expect([sayTake({ min: 1, max: 1 }), sayTake({ min: 1, max: 2 })]).toEqual(['1', '1 to 2']);
  });
});

describe('the position in view', () => {
  const of = (...sections: string[]) => ({ sections }) as Ranked;

  it('goes on at the timetable that shares the most, the best of those', () => {
    expect(nearest([of('1', '2'), of('1', '3'), of('3', '1')], ['1', '3'])).toBe(1);
    expect(nearest([of('1'), of('2')], ['9'])).toBe(0);
    expect(nearest([], ['1'])).toBe(0);
  });

  it('is only taken from the browser in its own shape', () => {
    expect(isWalkPosition({ key: 'k', position: 1, sections: ['1'] })).toBe(true);
    for (const wrong of [
      null,
      1,
      {},
      { key: 'k', position: '1', sections: [] },
      { key: 'k', position: 1, sections: [1] },
    ])
      expect(isWalkPosition(wrong)).toBe(false);
  });

  it('stays with other weights, and is another with another rule', () => {
    const ask = addCourse(testAsk(), 'A');
    expect(differsInWeightsAlone(ask, { ...ask, weights: aBitOfAll })).toBe(true);
    expect(differsInWeightsAlone(ask, ask)).toBe(false);
    expect(differsInWeightsAlone(ask, addCourse(ask, 'B'))).toBe(false);
  });
});

describe('what stands against a timetable on the shortlist', () => {
  const seen = (number: string, label: string) => ({
    number,
    course: 'TID 210',
    component: 'lab',
    label,
    meetings: [],
  });
  const one: PutBy = { id: 'a', name: 'a', note: '', sections: [seen('1', 'B1'), seen('2', 'B2')] };
  const fine: PutByState = {
    isTimetable: true,
    holds: true,
    broken: [],
    notAsked: [],
    notWhole: [],
    clashes: [],
    gone: [],
    moved: [],
    full: [],
    isExact: true,
    credits: 4,
    measures: null,
  };
  const say = (state: Partial<PutByState>) =>
    sayBroken(one, { ...fine, ...state }, addCourse(testAsk(), 'TID 210'), []);

  it('is nothing where it holds', () => {
    expect(say({})).toEqual([]);
  });

  it('is said a sentence each, the gravest first', () => {
    expect(say({ gone: ['1'], moved: ['2'], full: ['2'], notAsked: ['WRT 101'] })).toEqual([
      'TID 210 Lab B1 is gone.',
      'TID 210 Lab B2 has moved since it was put on the shortlist.',
      'TID 210 Lab B2 is full.',
      'The sketch does not take WRT 101 any more.',
    ]);
  });

  it('speaks of several as several', () => {
    expect(say({ gone: ['1', '2'] })).toEqual(['TID 210 Lab B1 and TID 210 Lab B2 are gone.']);
    expect(
      say({
        clashes: [{ one: '1', other: '2', day: 'mon', from: '09:00', to: '10:00' }] as PutByState['clashes'],
      }),
    ).toEqual(['TID 210 Lab B1 and TID 210 Lab B2 are at the same hours.']);
  });

  it('names the must that is missing, and rules it could not look at', () => {
    expect(say({ broken: ['wanted[0]'], isExact: false })).toEqual([
      'It breaks a rule: TID 210 is a must, and is not in it.',
      'There was no time to look at every rule.',
    ]);
  });
});
