import { expect, test } from 'vitest';
import { letterKeys } from './letterKeys';

test.each(Object.entries(letterKeys))('no key does two things in the %s', (_, keys) => {
  const all = Object.values(keys) as string[];
  expect(new Set(all).size).toBe(all.length);
});
