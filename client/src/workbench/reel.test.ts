import { expect, it } from 'vitest';
import { windowAround } from './reelWindow';

it('lays out all week shapes while they fit, and else a window that holds the one in view', () => {
  expect(windowAround(3n, 57n)).toEqual({ first: 0n, count: 57n });
  const total = 8_214_331n;
  for (const shape of [0n, 1n, 24_999n, 25_000n, 60_000n, 4_000_000n, total - 1n]) {
    const { first, count } = windowAround(shape, total);
    expect(first >= 0n && first + count <= total).toBe(true);
    expect(shape >= first && shape < first + count).toBe(true);
  }
});

it('keeps the window still for a step to the side', () => {
  expect(windowAround(4_000_000n, 8_214_331n)).toEqual(windowAround(4_000_001n, 8_214_331n));
});
