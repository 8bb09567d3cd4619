import { describe, expect, it } from 'vitest';
import type { Break, TimeBlock } from '@/api/client';
import {
  askForOneOf,
  withoutRequirement,
  addCourse,
  chooseBetween,
  eitherOrOf,
  emptied,
  keepInstead,
  keepSections,
  leaveEitherOr,
  letGo,
  limitCourse,
  markSection,
  markSections,
  moveCourse,
  removeCourse,
  replaceBlock,
  replaceBreak,
  setRole,
  setTake,
  wantedOf,
  withoutKeeps,
} from './edits';
import { testAsk } from './testAsk';

const wanting = (...courses: string[]) => courses.reduce((ask, course) => addCourse(ask, course), testAsk());
const order = (ask: ReturnType<typeof testAsk>) => ask.wanted.map((one) => one.course);

const shift: TimeBlock = {
  days: ['tue'],
  start: '08:00',
  end: '12:00',
  strength: 'cannot',
  weeks: null,
  label: 'shift',
};
const lunch: Break = { days: ['mon'], from: '11:30', to: '14:00', minutes: 40, strength: 'cannot' };

describe('a course', () => {
  it('is wanted once; wanting it again gives it the role', () => {
    const ask = addCourse(wanting('A', 'B'), 'A', 'ifItFits');
    expect(ask.wanted.map(({ course, role }) => [course, role])).toEqual([
      ['A', 'ifItFits'],
      ['B', 'must'],
    ]);
  });

  it('keeps what is said of it when its role changes', () => {
    const ask = setRole(markSection(wanting('A'), 'A', '1', 'keep'), 'A', 'setAside');
    expect(wantedOf(ask, 'A')).toMatchObject({ role: 'setAside', keep: ['1'] });
  });

  it('moves by one place, not past the ends, and before another', () => {
    const ask = wanting('A', 'B', 'C');
    expect(order(moveCourse(ask, 'A', 1))).toEqual(['B', 'A', 'C']);
    expect(order(moveCourse(ask, 'A', -1))).toEqual(['A', 'B', 'C']);
    expect(order(moveCourse(ask, 'C', 1))).toEqual(['A', 'B', 'C']);
    expect(order(moveCourse(ask, 'C', { before: 'A' }))).toEqual(['C', 'A', 'B']);
    expect(order(moveCourse(ask, 'A', { before: null }))).toEqual(['B', 'C', 'A']);
  });

  it('stays where it is when what it should move before is not wanted, and nothing moves that is not', () => {
    const ask = wanting('A', 'B');
    expect(moveCourse(ask, 'A', { before: 'Z' })).toBe(ask);
    expect(moveCourse(ask, 'Z', 1)).toBe(ask);
  });

  it('takes limits of its own, and becomes a must with the first', () => {
    const ask = limitCourse(wanting('A'), 'B', { campuses: ['HAR'] });
    expect(wantedOf(ask, 'B')).toMatchObject({ role: 'must', campuses: ['HAR'], seats: null });
    expect(wantedOf(limitCourse(ask, 'B', { seats: 'any' }), 'B')).toMatchObject({
      campuses: ['HAR'],
      seats: 'any',
    });
  });
});

describe('sections', () => {
  it('are kept or ruled out, never both', () => {
    const kept = markSection(testAsk(), 'A', '1', 'keep');
    expect(wantedOf(kept, 'A')).toMatchObject({ role: 'must', keep: ['1'], ruleOut: [] });
    const ruledOut = markSection(kept, 'A', '1', 'ruleOut');
    expect(wantedOf(ruledOut, 'A')).toMatchObject({ keep: [], ruleOut: ['1'] });
    expect(wantedOf(markSection(ruledOut, 'A', '1', null), 'A')).toMatchObject({ keep: [], ruleOut: [] });
  });

  it('are kept once however often it is said', () => {
    const twice = markSection(markSection(testAsk(), 'A', '1', 'keep'), 'A', '1', 'keep');
    expect(wantedOf(twice, 'A')!.keep).toEqual(['1']);
  });

  it('of one component give way to the one that is kept instead', () => {
    const ask = markSections(testAsk(), 'A', ['lec1', 'lab1'], 'keep');
    const instead = keepInstead(ask, 'A', 'lec2', ['lec1', 'lec2', 'lec3']);
    expect(wantedOf(instead, 'A')!.keep).toEqual(['lab1', 'lec2']);
  });

  it('are kept with their courses as musts, whatever role these had', () => {
    const ask = keepSections(addCourse(testAsk(), 'A', 'setAside'), [
      { course: 'A', number: '1' },
      { course: 'B', number: '2' },
    ]);
    expect(ask.wanted.map(({ course, role, keep }) => [course, role, ...keep])).toEqual([
      ['A', 'must', '1'],
      ['B', 'must', '2'],
    ]);
  });

  it('that are gone are let go wherever they stand', () => {
    const ask = {
      ...markSection(markSection(testAsk(), 'A', '1', 'keep'), 'A', '2', 'ruleOut'),
      registered: ['1', '3'],
    };
    const without = letGo(ask, ['1', '2']);
    expect(without.registered).toEqual(['3']);
    expect(wantedOf(without, 'A')).toMatchObject({ keep: [], ruleOut: [] });
  });

  it('not kept leave the ask the very same, so that nothing is asked again', () => {
    const ask = markSection(wanting('A'), 'A', '1', 'keep');
    expect(withoutKeeps(ask, 'A', ['2'])).toBe(ask);
    expect(wantedOf(withoutKeeps(ask, 'A', ['1', '2']), 'A')!.keep).toEqual([]);
  });
});

describe('a choice between courses', () => {
  it('is made of two, and takes more in', () => {
    const two = chooseBetween(wanting('A', 'B'), 'B', 'A');
    expect(two.eitherOr).toEqual([{ courses: ['A', 'B'], take: { min: 1, max: 1 }, label: '' }]);
    expect(chooseBetween(two, 'C', 'B').eitherOr).toEqual([
      { courses: ['A', 'B', 'C'], take: { min: 1, max: 1 }, label: '' },
    ]);
  });

  it('holds a course once: joining another choice leaves the first', () => {
    const apart = chooseBetween(chooseBetween(wanting('A', 'B', 'C', 'D'), 'B', 'A'), 'D', 'C');
    const joined = chooseBetween(apart, 'A', 'C');
    expect(joined.eitherOr).toEqual([{ courses: ['C', 'D', 'A'], take: { min: 1, max: 1 }, label: '' }]);
    expect(eitherOrOf(joined, 'B')).toBeUndefined();
  });

  it('is none any more with one course left', () => {
    const two = chooseBetween(wanting('A', 'B'), 'B', 'A');
    expect(leaveEitherOr(two, 'A').eitherOr).toEqual([]);
    expect(removeCourse(two, 'B')).toMatchObject({ eitherOr: [], wanted: [{ course: 'A' }] });
  });

  it('never takes more courses than it has', () => {
    const three = chooseBetween(chooseBetween(wanting('A', 'B', 'C'), 'B', 'A'), 'C', 'A');
    const taking = setTake(three, 'A', { min: 3, max: 3 });
    expect(leaveEitherOr(taking, 'C').eitherOr).toEqual([
      { courses: ['A', 'B'], take: { min: 2, max: 2 }, label: '' },
    ]);
  });
});

describe('a requirement', () => {
  it('stands for one of its courses, and leaves those that are wanted anyway as they are', () => {
    const asked = askForOneOf(wanting('A'), 'Humanities', ['A', 'B', 'C']);
    expect(asked.eitherOr).toEqual([{ courses: ['B', 'C'], take: { min: 1, max: 1 }, label: 'Humanities' }]);
    expect(asked.wanted.map(({ course, role }) => [course, role])).toEqual([
      ['A', 'must'],
      ['B', 'setAside'],
      ['C', 'setAside'],
    ]);
    expect(withoutRequirement(asked, 'Humanities')).toEqual(wanting('A'));
  });

  it('is asked for anew in the place of an older one, and keeps its name while courses leave it', () => {
    const asked = askForOneOf(askForOneOf(wanting('A'), 'H', ['B', 'C']), 'H', ['C', 'D', 'E']);
    expect(asked.eitherOr.map(({ courses }) => courses)).toEqual([['C', 'D', 'E']]);
    expect(asked.wanted.map(({ course }) => course)).toEqual(['A', 'C', 'D', 'E']);
    expect(leaveEitherOr(asked, 'E').eitherOr).toMatchObject([{ courses: ['C', 'D'], label: 'H' }]);
  });

  it('of which every course is wanted anyway asks for nothing more', () => {
    expect(askForOneOf(wanting('A', 'B'), 'H', ['A', 'B'])).toEqual(wanting('A', 'B'));
  });
});

describe('hours and breaks', () => {
  it('are found by what they are, so that two windows do not change each other’s', () => {
    const later = { ...shift, start: '09:00' };
    const ask = testAsk({ timeBlocks: [lunchBlock(), shift] });
    expect(replaceBlock(ask, shift, later).timeBlocks).toEqual([lunchBlock(), later]);
    expect(replaceBlock(ask, shift, null).timeBlocks).toEqual([lunchBlock()]);
    expect(replaceBlock(ask, null, later).timeBlocks).toEqual([lunchBlock(), shift, later]);
  });

  it('that are not there any more are added where they change, and not missed where they go', () => {
    expect(replaceBlock(testAsk(), shift, { ...shift, end: '11:00' }).timeBlocks).toHaveLength(1);
    expect(replaceBlock(testAsk(), shift, null).timeBlocks).toEqual([]);
  });

  it('of two alike one is changed', () => {
    const longer = { ...lunch, minutes: 60 };
    expect(replaceBreak(testAsk({ breaks: [lunch, lunch] }), lunch, longer).breaks).toEqual([longer, lunch]);
  });
});

it('an emptied ask keeps its term, its weights, its seats rule and what is registered', () => {
  const full = {
    ...chooseBetween(wanting('A', 'B'), 'B', 'A'),
    timeBlocks: [shift],
    breaks: [lunch],
    registered: ['9'],
    seats: 'any',
    modes: ['online'],
    campus: { allowed: ['HAR'], preferred: 'HAR', respectTravel: false, onePerDay: true },
  };
  expect(emptied(full)).toEqual(testAsk({ registered: ['9'], seats: 'any' }));
});

function lunchBlock(): TimeBlock {
  return { ...shift, days: ['wed'], start: '12:00', end: '13:00', label: 'lunch' };
}
