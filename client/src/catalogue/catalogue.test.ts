import { expect, it } from 'vitest';
import type { Section } from '@/api/client';
import { lettersFor, meetingLines } from '@/grid/meetings';
import { loosened, phraseOf, sayLoosening, sides } from './narrowing';
import { sayAge } from '@/wording/ages';

const names = {
  subject: (code: string) => code,
  campus: (id: string) => ({ HAR: 'Harbour', KLN: 'Kiln', RDG: 'Ridge' })[id] ?? id,
  part: (id: string) => (id === 'whole' ? 'the whole term' : id),
};

it('says each side of a narrowing as it reads', () => {
  const say = (side: (typeof sides)[number], ...values: string[]) => {
    const { before, text } = phraseOf(side, values, names);
    return `${before} ${text}`.trim();
  };
  expect(say('campus')).toBe('on any campus');
  expect(say('campus', 'HAR', 'KLN')).toBe('on Harbour or Kiln');
  expect(say('subject', 'A', 'B', 'C')).toBe('A, B or C');
  expect(say('day', 'thu', 'tue')).toBe('only Tue Thu');
  expect(say('hours', '09:00-18:00')).toBe('9:00–18:00');
  expect(say('credits', '3-3')).toBe('with 3 credits');
  expect(say('seats', 'open')).toBe('with a free seat');
  expect(say('part', 'whole')).toBe('in the whole term');
  for (const side of sides) expect(say(side)).toMatch(/any|or not/);
});

it('loosens a side by the one value that brings courses back, or drops it', () => {
  expect(loosened('campus', ['HAR'], 'RDG')).toEqual(['HAR', 'RDG']);
  expect(loosened('seats', ['open'], 'waitlist')).toEqual(['waitlist']);
  expect(loosened('seats', ['open'], 'any')).toEqual([]);
  expect(loosened('day', ['mon'], null)).toEqual([]);
  expect(sayLoosening('campus', 'RDG', names)).toBe('if Ridge is allowed');
});

it('sets meetings that differ in the day alone on one line', () => {
  const meeting = (day: string, start: string, weeks: number[]) => ({
    day,
    start,
    end: '10:45',
    weeks,
    room: 'Harbour 9',
    campus: 'HAR',
  });
  const all = Array.from({ length: 16 }, (_, i) => i + 1);
  const section = {
    meetings: [
      meeting('mon', '09:30', all.slice(1)),
      meeting('wed', '09:30', all),
      meeting('sat', '08:00', [2, 4, 6]),
    ],
  } as unknown as Section;
  const lines = meetingLines(section);
  expect(lines.map((line) => [line.days, line.hours])).toEqual([
    [['mon', 'wed'], '9:30–10:45'],
    [['sat'], '8:00–10:45'],
  ]);
  expect(lettersFor(lines)).toHaveLength(6);
  expect(lettersFor(lines.slice(0, 1))).toHaveLength(5);
});

it('says how old seats are', () => {
  const now = Date.parse('2026-11-25T12:00:00Z');
  const ages = [
    '2026-11-25T11:59:40Z',
    '2026-11-25T11:20:00Z',
    '2026-11-25T09:00:00Z',
    '2026-11-24T11:00:00Z',
  ];
  expect(ages.map((age) => sayAge(age, now))).toEqual([
    'as of just now',
    'as of 40 min ago',
    'as of 3 h ago',
    'as of 1 day ago',
  ]);
});
