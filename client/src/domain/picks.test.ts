import { describe, expect, it } from 'vitest';
import type { Picks, PutBy, Sketch } from '@/api/client';
import { choose, lanesOf, lineUp, moveLane, prepare, setBaseline, takeOut } from './picks';
import { findPutBy, movedTo, putBy, removePutBy } from './shortlist';

const seen = (number: string) => ({
  number,
  course: 'TID 210',
  component: 'lecture',
  label: 'L1',
  meetings: [],
});
const timetable = (id: string, ...numbers: string[]): PutBy => ({
  id,
  name: id,
  note: '',
  sections: numbers.map(seen),
});
const entry = (id: string) => ({ sketch: 's', timetable: id });
const none: Picks = { lineUp: [], baseline: null, choice: null };
const many = (count: number): Picks => ({
  ...none,
  lineUp: Array.from({ length: count }, (_, i) => entry(`t${i}`)),
});

describe('the shortlist', () => {
  it('holds each set of sections once, in whatever order they come', () => {
    const list = putBy(putBy([], timetable('a', '1', '2')), timetable('b', '2', '1'));
    expect(list.map((one) => one.id)).toEqual(['a']);
    expect(findPutBy(list, ['2', '1'])?.id).toBe('a');
    expect(removePutBy(list, 'a')).toEqual([]);
  });

  it('moves one and leaves the order of the others', () => {
    expect(movedTo(['a', 'b', 'c'], 0, 2)).toEqual(['b', 'c', 'a']);
    expect(movedTo(['a', 'b', 'c'], 0, -1)).toEqual(['a', 'b', 'c']);
  });
});

describe('the line-up', () => {
  it('holds each timetable once and eight at most', () => {
    const shown = many(8).lineUp;
    expect(lineUp(many(2), entry('t0'), shown).lineUp).toHaveLength(2);
    expect(lineUp(many(8), entry('new'), shown).lineUp).toHaveLength(8);
    expect(lineUp(many(7), entry('new'), shown).lineUp.at(-1)).toEqual(entry('new'));
  });

  it('gives the room of what is gone to what comes', () => {
    expect(lineUp(many(8), entry('new'), many(3).lineUp).lineUp).toEqual([...many(3).lineUp, entry('new')]);
  });

  it('leaves out what is gone from its shortlist, and names the others in their order', () => {
    const sketch = { id: 's', shortlist: [timetable('t0', '1'), timetable('t2', '2')] } as Sketch;
    expect(lanesOf(many(3), [sketch]).map((lane) => [lane.letter, lane.timetable.id])).toEqual([
      ['A', 't0'],
      ['B', 't2'],
    ]);
  });

  it('takes the baseline out with its lane', () => {
    const picks = setBaseline(many(3), entry('t1'));
    expect(takeOut(picks, entry('t1')).baseline).toBeNull();
    expect(takeOut(picks, entry('t0')).baseline).toEqual(entry('t1'));
    expect(setBaseline(picks, entry('t1')).baseline).toBeNull();
    expect(moveLane(picks, entry('t2'), entry('t0')).lineUp[0]).toEqual(entry('t2'));
  });
});

describe('the choice', () => {
  it('has one fallback a section, and begins with none', () => {
    const chosen = choose(none, 's', timetable('a', '1', '2'));
    const twice = prepare(prepare(chosen, '1', [seen('3')]), '1', [seen('4')]);
    expect(twice.choice?.fallbacks).toEqual([{ section: '1', instead: [seen('4')] }]);
    expect(prepare(twice, '1', null).choice?.fallbacks).toEqual([]);
    expect(choose(twice, 's', timetable('b', '5')).choice?.fallbacks).toEqual([]);
  });
});
