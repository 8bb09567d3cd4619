export const wording = {
  off: 'Off',
  startsAtOrAfter: 'Starts at or after',
  endsAtOrBefore: 'Ends at or before',
  idleWeekAtMost: 'Idle a week at most',
  minutesH: (minutes: number) => `${minutes} h`,
  seatsToSpare: 'Seats to spare',
  orMore: (seats: number) => `${seats} or more`,
  any: 'any',
};
