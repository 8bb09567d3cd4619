import { freeWithin } from './BreakBracket';
import { describe, expect, it } from 'vitest';
import type { Course, Section, TimeBlock } from '@/api/client';
// The cases stand with the tests of the server, whose pictures are held to them too.
// eslint-disable-next-line @typescript-eslint/no-restricted-imports
import weeksOfPictures from '../../../tests/geometry/weeks.json';
import { along, axisFitting, axisFor, hoursOf } from './axis';
import { drawn, goingOn, moved, newBlock, onDaysShifted, sayBlock, stretched } from './blocks';
import { classesOf, type GridClass, sayWeeksShort } from './classes';
import { sharesOfDay } from './shares';

const weekCount = 17;
const weeks = (from: number, to: number, step = 1) =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);

function aClass(key: string, start: number, end: number, some: number[]): GridClass {
  const section = { number: key, label: key, component: 'lecture', meetings: [] } as unknown as Section;
  const course = { id: 'TID 210', title: '', sections: [section] } as unknown as Course;
  return { key, day: 'mon', start, end, weeks: some, room: '', course, section, colour: 1 };
}

describe('a week as it is drawn here and in pictures', () => {
  it.each(weeksOfPictures.cases)('$name', (drawn) => {
    const classes = drawn.meetings.flatMap((meeting) => {
      const section = { number: meeting.number, meetings: [{ ...meeting, campus: null, room: '' }] };
      return classesOf([
        { course: { id: 'A' } as Course, section: section as unknown as Section, colour: 1 },
      ]);
    });
    expect(axisFitting(classes)).toEqual({ days: drawn.days, from: drawn.from * 60, to: drawn.to * 60 });
    const shares = new Map(
      drawn.days.flatMap((day) => [
        ...sharesOfDay(
          classes.filter((one) => one.day === day),
          drawn.weekCount,
        ),
      ]),
    );
    classes.forEach((one, i) => {
      const [top, height] = drawn.shares[i]!;
      expect(shares.get(one.key)!.top).toBeCloseTo(top!);
      expect(shares.get(one.key)!.height).toBeCloseTo(height!);
      expect(sayWeeksShort(one.weeks, drawn.weekCount)).toBe(drawn.weeks[i]);
    });
  });
});

describe('shares of the band', () => {
  it('never draws classes at the same hours over each other', () => {
    const classes = [
      aClass('a', 540, 600, weeks(1, 17, 2)),
      aClass('b', 540, 600, weeks(2, 16, 4)),
      aClass('c', 570, 630, weeks(4, 16, 4)),
      aClass('d', 700, 760, weeks(1, 8)),
    ];
    const shares = sharesOfDay(classes, weekCount);
    for (const one of classes)
      for (const other of classes) {
        if (one === other || one.start >= other.end || other.start >= one.end) continue;
        const [a, b] = [shares.get(one.key)!, shares.get(other.key)!];
        expect(a.top + a.height <= b.top + 1e-9 || b.top + b.height <= a.top + 1e-9).toBe(true);
      }
    expect(shares.get('d')).toEqual({ top: 0, height: 0.5 });
  });
});

describe('the axis', () => {
  it('is the usual week unless something lies outside', () => {
    expect(axisFor([])).toEqual({ days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: 480, to: 1200 });
    const wide = axisFor([{ day: 'sat', start: 450, end: 1250 }]);
    expect([wide.days.at(-1), wide.from, wide.to]).toEqual(['sat', 420, 1260]);
    expect(hoursOf(wide)).toEqual([7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21]);
    expect(along(wide, 840)).toBe(0.5);
  });
});

describe('blocks', () => {
  const shift = newBlock(['tue'], { start: 480, end: 720 }, 'shift');

  it('are drawn either way, and never empty', () => {
    expect(drawn(600, 540)).toEqual({ start: 540, end: 600 });
    expect(drawn(600, 600)).toEqual({ start: 600, end: 615 });
  });

  it('move and stretch within the day and the week', () => {
    expect(sayBlock(moved(shift, 60))).toBe('Tue 9:00–13:00, shift');
    expect(sayBlock(moved(shift, -900))).toBe('Tue 0:00–4:00, shift');
    expect(sayBlock(moved(shift, 2000))).toBe('Tue 20:00–24:00, shift');
    expect(sayBlock(stretched(shift, 'end', 400))).toBe('Tue 8:00–8:15, shift');
    expect(sayBlock(stretched(shift, 'start', 900))).toBe('Tue 11:45–12:00, shift');
    expect(sayBlock(onDaysShifted(shift, 2))).toBe('Thu 8:00–12:00, shift');
    expect(onDaysShifted(shift, -2)).toBe(shift);
  });

  it('go on the way they went', () => {
    const next = (to: TimeBlock) => {
      const block = goingOn(shift, to);
      return block && sayBlock(block);
    };
    expect(next(stretched(shift, 'end', 735))).toBe('Tue 8:00–12:30, shift');
    expect(next(stretched(shift, 'start', 450))).toBe('Tue 7:15–12:00, shift');
    expect(next(moved(shift, -30))).toBe('Tue 7:15–11:15, shift');
    expect(next(shift)).toBeNull();
    expect(next(onDaysShifted(shift, 1))).toBeNull();
    expect(next(moved(shift, 2000))).toBeNull();
    expect(next(stretched(shift, 'end', 0))).toBeNull();
  });
});

it('makes a class of every meeting with a known day', () => {
  const meeting = { day: 'mon', start: '09:30', end: '10:45', weeks: [1], room: 'H', campus: null };
  const section = { number: '1', meetings: [meeting, { ...meeting, day: 'noday' }] } as unknown as Section;
  const course = { id: 'A', sections: [section] } as unknown as Course;
  const classes = classesOf([{ course, section, colour: 1 }]);
  expect(classes.map((one) => [one.day, one.start, one.end])).toEqual([['mon', 570, 645]]);
});

it('leaves free what no class and no block takes', () => {
  const window = { start: 690, end: 840 };
  expect(freeWithin(window, [])).toEqual([window]);
  expect(
    freeWithin(window, [
      { start: 720, end: 750 },
      { start: 600, end: 700 },
      { start: 740, end: 900 },
    ]),
  ).toEqual([{ start: 700, end: 720 }]);
});
