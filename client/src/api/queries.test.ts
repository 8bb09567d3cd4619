import { expect, it } from 'vitest';
import { restsOn } from './queries';

const ask = JSON.stringify({ term: '2027SP', wanted: [{ course: 'TID 210' }, { course: 'WRT 101' }] });

it('knows what rests on the seats of a course', () => {
  expect(restsOn(['answer', ask], '2027SP', ['TID 210'])).toBe(true);
  expect(restsOn(['answer', ask], '2027SP', ['TID 2100', 'TID 21'])).toBe(false);
  expect(restsOn(['answer', ask], '2026AU', ['TID 210'])).toBe(false);
  // Courses asked about beside the ask.
  expect(restsOn(['fits', ask, 'GLZ 155 ROB 450'], '2027SP', ['ROB 450'])).toBe(true);
  expect(restsOn(['standing', ask, 'MAR 105'], '2027SP', ['MAR 105'])).toBe(true);
  // Lists of courses show which have a seat.
  expect(restsOn(['search', '2027SP', 'q=tid'], '2027SP', ['ROB 450'])).toBe(true);
  expect(restsOn(['search', '2026AU', 'q=tid'], '2027SP', ['ROB 450'])).toBe(false);
  expect(restsOn(['search', '2027SP', 'q=tid'], '2027SP', [])).toBe(false);
  expect(restsOn(['record'], '2027SP', ['TID 210'])).toBe(false);
});
