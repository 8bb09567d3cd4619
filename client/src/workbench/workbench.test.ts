import { describe, expect, it } from 'vitest';
import { readBlock, readBlocks } from './readBlocks';
import { readWeeks, writeWeeks } from './readWeeks';

describe('a typed line', () => {
  it.each([
    ['tue thu 8-12 shift', ['tue', 'thu'], '08:00', '12:00', 'shift', 'cannot'],
    [
      'Mon–Fri 18:00 to 20 evening job',
      ['mon', 'tue', 'wed', 'thu', 'fri'],
      '18:00',
      '20:00',
      'evening job',
      'cannot',
    ],
    ['friday, 930 - 11.15', ['fri'], '09:30', '11:15', '', 'cannot'],
    ['daily 12-13 rather not', ['mon', 'tue', 'wed', 'thu', 'fri'], '12:00', '13:00', '', 'ratherNot'],
    ['weekend 8-20', ['sat', 'sun'], '08:00', '20:00', '', 'cannot'],
  ])('reads %s', (typed, days, start, end, label, strength) => {
    expect(readBlock(typed)).toEqual({ block: { days, start, end, label, strength, weeks: null } });
  });

  it.each(['', '8-12', 'noday 8-12', 'tue', 'tue noon', 'tue 12-8', 'fri-mon 8-9'])(
    'does not read “%s”',
    (typed) => {
      expect(readBlock(typed)).toHaveProperty('problem');
    },
  );
});

describe('several typed hours', () => {
  it('are taken apart at semicolons and line ends, and each has its own name', () => {
    const read = readBlocks('mon wed 18-22 boatyard; fri 8-10\r\n\n tue 9-10 choir;');
    expect(
      read.map(({ line }) =>
        'block' in line ? [line.block.days.join(' '), line.block.label] : line.problem,
      ),
    ).toEqual([
      ['mon wed', 'boatyard'],
      ['fri', ''],
      ['tue', 'choir'],
    ]);
  });

  it('say which part cannot be read', () => {
    const read = readBlocks('mon 9-10; nonsense');
    expect(read.map(({ part, line }) => ['problem' in line, part])).toEqual([
      [false, 'mon 9-10'],
      [true, 'nonsense'],
    ]);
    expect(readBlocks(' ; \n ')).toEqual([]);
  });
});

describe('typed weeks', () => {
  it.each([
    ['', null],
    ['all', null],
    ['1-3, 10', [1, 2, 3, 10]],
    ['17 2', [2, 17]],
  ])('reads “%s”', (typed, weeks) => {
    expect(readWeeks(typed, 17)).toEqual(weeks);
  });

  it.each(['0', '18', '5-3', 'x', '1-'])('does not read “%s”', (typed) => {
    expect(readWeeks(typed, 17)).toBeUndefined();
  });

  it('writes them as they are read', () => {
    for (const typed of ['', '1-3, 10', '2, 17', '1-17'])
      expect(writeWeeks(readWeeks(typed, 17) ?? null)).toBe(typed);
  });
});
