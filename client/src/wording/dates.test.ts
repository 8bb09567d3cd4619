import { describe, expect, it } from 'vitest';
import { daysBetween, plusDays } from '@/lib/dates';
import { readDate, sayDate } from './dates';

const read = (typed: string) => readDate(typed, '2027-01-11', '2027-05-07');

describe('readDate', () => {
  it.each(['11 Jan', '11 january', 'Jan 11', '11.1.', '11. 1', '2027-01-11', ' 11jan '])(
    'reads %s',
    (typed) => {
      expect(read(typed)).toBe('2027-01-11');
    },
  );

  it.each(['', 'soon', '10 Jan', '31 Feb', '31.4.', '11', '2026-01-11', '8 May', '13 Foo'])(
    'does not read %s',
    (typed) => {
      expect(read(typed)).toBeNull();
    },
  );

  it('finds the year of a term that goes over the end of one', () => {
    expect(readDate('3 Feb', '2026-09-07', '2027-02-12')).toBe('2027-02-03');
    expect(readDate('3 Oct', '2026-09-07', '2027-02-12')).toBe('2026-10-03');
  });
});

it('says and counts days', () => {
  expect(sayDate('2027-01-11')).toBe('11 Jan');
  expect(plusDays('2027-02-27', 3)).toBe('2027-03-02');
  expect(daysBetween('2027-01-11', '2027-01-25')).toBe(14);
});
