import { expect, it } from 'vitest';
import { countOf, sayCount } from './count';
import { daysOf, sayDays } from './days';
import { sayWeeks } from './weeks';

it('says counts of any length, exactly', () => {
  expect(sayCount('340282366920938463463374607431768211455')).toBe(
    '340,282,366,920,938,463,463,374,607,431,768,211,455',
  );
  expect([countOf('0', 'timetable'), countOf('1', 'timetable'), countOf('412', 'timetable')]).toEqual([
    '0 timetables',
    '1 timetable',
    '412 timetables',
  ]);
});

it('says days in the order of the week', () => {
  expect(sayDays(daysOf(['thu', 'tue', 'noday']))).toBe('Tue Thu');
  expect(sayDays(daysOf(['fri', 'mon', 'tue', 'wed', 'thu']))).toBe('Mon–Fri');
  expect(sayDays(daysOf(['mon', 'tue']))).toBe('Mon Tue');
  expect(sayDays([])).toBe('');
});

it('says weeks', () => {
  const word = { one: 'week', many: 'weeks' };
  expect(sayWeeks([1, 2, 3, 4, 5, 6, 7, 8], word)).toBe('weeks 1–8');
  expect(sayWeeks([2, 4, 6], word)).toBe('every 2nd week from 2');
  expect(sayWeeks([3, 7], word)).toBe('weeks 3, 7');
  expect(sayWeeks([5], word)).toBe('week 5');
  expect(sayWeeks([], word)).toBe('');
});
