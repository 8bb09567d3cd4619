import { expect, it } from 'vitest';
import { sayMoment, sayUntil } from './moments';

it.each([
  ['2026-11-30T13:40:03Z', '2026-11-30T20:00:00Z', '9:40:03'],
  ['2026-11-30T13:40:03Z', '2026-12-01T20:00:00Z', 'Mon 30 Nov, 9:40:03'],
])('a moment is said by the clock of the campus', (at, now, said) => {
  expect(sayMoment(at, 'America/Halifax', Date.parse(now))).toBe(said);
});

it.each([
  [-5, '0 s'],
  [11_001, '12 s'],
  [65_000, '1 min 05 s'],
  [3 * 3_600_000 + 60_000, '3 h 01 min'],
  [50 * 3_600_000, '2 days'],
])('%i ms are said as %s', (ms, said) => {
  expect(sayUntil(ms)).toBe(said);
});
