export const wording = {
  ofSeatsLeft: (freeSeats: number, capacity: number) => `${freeSeats} of ${capacity} seats left`,
  ofWaitlistPlacesTaken: (waitlisted: number, waitlistCapacity: number) =>
    `${waitlisted} of ${waitlistCapacity} waitlist places taken`,
  full: 'full',
};
