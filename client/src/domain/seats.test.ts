import { expect, it } from 'vitest';
import { saySeats } from './seats';

it('says seats in one way', () => {
  expect(saySeats({ freeSeats: 3, capacity: 60 })).toBe('3 of 60 seats left');
  expect(saySeats({ freeSeats: 0, capacity: 60 })).toBe('full');
});
