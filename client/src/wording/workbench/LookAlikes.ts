export const wording = {
  atSameHours: (timetables: string) => `${timetables} at the same hours`,
  bestListed: (likesCount: string) => ` The best ${likesCount} are listed.`,
  differInSectionsOnlyBest:
    'They differ in sections only. The best by what matters comes first; each line says what is other than in it.',
  toSpare: (seats: string) => `${seats} to spare`,
  inView: 'in view',
  show: 'Show',
  bestOf: 'The best of them',
  ofLeft: (freeSeats: number, capacity: number) => `${freeSeats} of ${capacity} left`,
  full: 'full',
};
