import { describe, expect, it } from 'vitest';
import type { MeasureRow } from '@/api/client';
import { barOf, nameOfMeasure, sayChange, sayMeasure } from './measures';

const row = (measure: string, ...values: (number | null)[]): MeasureRow => ({
  measure,
  values,
  best: values.map(() => false),
  isEqual: false,
  weight: 0,
});

describe('a measure', () => {
  it.each([
    ['classDays', 4, 'Days with class', '4'],
    ['idleMinutes', 165, 'Between classes a week', '2 h 45'],
    ['earliestStart', 570, 'First class starts', '9:30'],
    ['campusMovesTenths', 15, 'Campus moves a week', '1.5'],
    ['seatsToSpare', 1200, 'Fewest seats left', '1,200'],
  ])('%s has a name and a unit', (measure, value, name, text) => {
    expect([nameOfMeasure(row(measure)), sayMeasure(row(measure), value)]).toEqual([name, text]);
  });

  it('without set hours says so', () => {
    expect(sayMeasure(row('latestEnd'), null)).toBe('no set hours');
  });

  it('stands as more or less than the baseline, times as later or earlier', () => {
    const say = (measure: string, value: number | null, from: number | null) =>
      sayChange(row(measure), value, from);
    expect(say('idleMinutes', 90, 60)).toBe('30 min more');
    expect(say('idleMinutes', 60, 120)).toBe('1 h less');
    expect(say('earliestStart', 600, 570)).toBe('30 min later');
    expect(say('latestEnd', 1000, 1060)).toBe('1 h earlier');
    expect(say('classDays', 3, 3)).toBe('the same');
    expect(say('latestEnd', null, 600)).toBe('no set hours');
    expect(say('latestEnd', 600, null)).toBe('10:00');
  });
});

describe('its bar', () => {
  it('is as long as its part of the most in the row', () => {
    const of = row('idleMinutes', 30, 120, null);
    expect(of.values.map((value) => barOf(of, value))).toEqual([0.25, 1, 0]);
    expect(barOf(row('idleMinutes', 0, 0), 0)).toBe(0);
  });

  it('of a time lies within the day from 6 to 22', () => {
    const of = row('earliestStart', 480, 840);
    expect([360, 840, 1320, 300, 1400].map((value) => barOf(of, value))).toEqual([0, 0.5, 1, 0, 1]);
  });
});
