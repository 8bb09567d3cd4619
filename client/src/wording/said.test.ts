import { expect, it } from 'vitest';
import { countOf, knownTimetables, sayAbout, sayCount } from './counts';
import { daysOf } from '@/lib/days';
import { sayDays } from './days';
import { newId } from '@/lib/newId';
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

it('says an estimate with no more digits than it is good for', () => {
  expect(sayAbout({ timetables: 8_113_402_117.4, relativeError: 0.002 })).toBe('about 8,110,000,000');
  expect(sayAbout({ timetables: 59_503_352_684, relativeError: 0.02 })).toBe('about 60,000,000,000');
  expect(sayAbout({ timetables: 4.4234e13, relativeError: 0.01 })).toBe('about 4.4 × 10¹³');
  expect(sayAbout({ timetables: 1.6777e19, relativeError: 0.12 })).toBe('about 1.7 × 10¹⁹ (± 12 %)');
  expect(sayAbout({ timetables: 9.99e11, relativeError: 0.01 })).toBe('about 1 × 10¹²');
  expect(sayAbout({ timetables: 74.6, relativeError: 0 })).toBe('about 75');
});

it('says a count as well as it is known', () => {
  const least = { timetables: '1000', isExact: false, estimate: null };
  expect(knownTimetables(least)).toBe('at least 1,000 timetables');
  expect(knownTimetables({ ...least, estimate: { timetables: 2e15, relativeError: 0.01 } })).toBe(
    'about 2 × 10¹⁵ timetables',
  );
  expect(knownTimetables({ timetables: '1', isExact: true, estimate: null })).toBe('1 timetable');
});

it('says days in the order of the week', () => {
  expect(sayDays(daysOf(['thu', 'tue', 'noday']))).toBe('Tue Thu');
  expect(sayDays(daysOf(['fri', 'mon', 'tue', 'wed', 'thu']))).toBe('Mon–Fri');
  expect(sayDays(daysOf(['mon', 'tue']))).toBe('Mon Tue');
  expect(sayDays([])).toBe('');
});

it('says weeks', () => {
  expect(sayWeeks([1, 2, 3, 4, 5, 6, 7, 8])).toBe('weeks 1–8');
  expect(sayWeeks([2, 4, 6])).toBe('every 2nd week from 2');
  expect(sayWeeks([3, 7])).toBe('weeks 3, 7');
  expect(sayWeeks([5])).toBe('week 5');
  expect(sayWeeks([])).toBe('');
});

it('makes identifiers of its own', () => {
  const ids = Array.from({ length: 100 }, newId);
  for (const id of ids)
    expect(id).toMatch(/^[\da-f]{8}-[\da-f]{4}-4[\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/);
  expect(new Set(ids).size).toBe(100);
});
