import type { Section } from '@/api/client';
import { wording } from '@/wording/domain/seats';

type Seats = Pick<Section, 'freeSeats' | 'capacity'>;

/** How the seats of a section stand, in the one way in which it is said: "3 of 60 seats left", "full". */
export function saySeats({ freeSeats, capacity }: Seats): string {
  return freeSeats === 0 ? wording.full : wording.ofSeatsLeft(freeSeats, capacity);
}

/** Who waits for a seat of a full section; nothing where there is a seat, or no waitlist. */
export function sayWaitlist({ freeSeats, waitlisted, waitlistCapacity }: Section): string {
  return freeSeats === 0 && waitlistCapacity > 0
    ? wording.ofWaitlistPlacesTaken(waitlisted, waitlistCapacity)
    : '';
}
