import { expect, it } from 'vitest';
import { merge } from './merge';

it('makes a change on something else than it was made on', () => {
  const before = { name: 'a', limits: { early: 8, late: 18 }, soft: true };
  const after = { name: 'a', limits: { early: 9, late: 18 }, soft: true };
  const onto = { name: 'b', limits: { early: 8, late: 20 }, soft: true };
  expect(merge(before, after, onto)).toEqual({ name: 'b', limits: { early: 9, late: 20 }, soft: true });
});

it('gives the change the last word where both say something', () => {
  expect(merge({ a: 1 }, { a: 2 }, { a: 3 })).toEqual({ a: 2 });
  expect(merge({ a: null }, { a: { b: 1 } }, { a: { b: 2 } })).toEqual({ a: { b: 1 } });
});

it('adds, changes and takes out of a list what the change did, and leaves the rest', () => {
  const course = (name: string, role = 'must') => ({ course: name, role });
  const before = [course('A'), course('B'), course('C')];
  const after = [course('A', 'ifItFits'), course('N'), course('C')];
  const onto = [course('A'), course('B'), course('C', 'setAside'), course('D')];
  expect(merge(before, after, onto)).toEqual([
    course('A', 'ifItFits'),
    course('N'),
    course('C', 'setAside'),
    course('D'),
  ]);
});

it('moves in a list what the change moved', () => {
  expect(merge(['a', 'b', 'c'], ['c', 'a', 'b'], ['a', 'b', 'c', 'd'])).toEqual(['c', 'a', 'b', 'd']);
  expect(merge(['a', 'b'], ['b', 'a'], ['b'])).toEqual(['b']);
});

it('puts what is new first where it was put first', () => {
  expect(merge(['a'], ['n', 'a'], ['a', 'b'])).toEqual(['n', 'a', 'b']);
});

it('keeps what is there twice', () => {
  expect(merge(['a', 'a'], ['a', 'a', 'b'], ['a', 'a', 'c'])).toEqual(['a', 'a', 'b', 'c']);
  expect(merge(['a', 'a'], ['a'], ['a', 'a', 'c'])).toEqual(['a', 'c']);
});

it('says nothing new when it was made there already', () => {
  const [before, after] = [{ list: [1, 2] }, { list: [1, 2, 3] }];
  expect(merge(before, after, after)).toEqual(after);
});
