import { describe, expect, it } from 'vitest';
import { apiTime, minuteOf, readTime } from '@/lib/time';
import { sayHours, sayLength } from './times';

describe('readTime', () => {
  it.each([
    ['9', 540],
    ['9:30', 570],
    ['09:30', 570],
    ['930', 570],
    ['0930', 570],
    ['9.30', 570],
    ['9h30', 570],
    [' 18:05 ', 1085],
    ['24', 1440],
    ['0:00', 0],
  ])('reads %s', (typed, minute) => {
    expect(readTime(typed)).toBe(minute);
  });

  it.each(['', 'noon', '9:60', '24:01', '25', '-1', '9:3', '12345', '9:30 pm'])(
    'does not read %s',
    (typed) => {
      expect(readTime(typed)).toBeNull();
    },
  );
});

it('goes to the API and back', () => {
  for (const minute of [0, 5, 570, 1439, 1440]) expect(minuteOf(apiTime(minute))).toBe(minute);
});

it('says hours and lengths as we do', () => {
  expect(sayHours(570, 645)).toBe('9:30–10:45');
  expect([0, 45, 60, 125, 600].map(sayLength)).toEqual(['0 min', '45 min', '1 h', '2 h 05', '10 h']);
});
