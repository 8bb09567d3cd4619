export const wording = {
  withClass: 'with class',
  creditsName: 'credits',
  firstToLast: 'first to last',
  idleWeek: 'idle a week',
  campusMovesWeek: 'campus moves a week',
  fewestSeatsLeft: 'fewest seats left',
  daysWithClass: (days: string) => `${days} with class`,
  idle: (length: string) => `${length} idle a week`,
  campusMoves: (tenths: string) => `${tenths} campus moves a week`,
  leftInFullestSection: (seats: string) => `${seats} left in the fullest section`,
  credits: (credits: number) => `${credits} credits`,
};
