export const wording = {
  timetableShortlistCount: (shortlistCount: number) => `Timetable ${shortlistCount}`,
  shortlistAndHoldsNoMore: (mostShortlisted: number) =>
    `The shortlist has ${mostShortlisted}, and holds no more. Take one off first.`,
  lineUpEightAndHolds: 'The line-up has eight, and holds no more. Take one out of it first.',
  timetableNotAmongBest2:
    'That timetable is not among the best 2,000 that are listed. Keep some of its sections to come to it.',
  timetableNoneOfThosePossible: 'That timetable is none of those that are possible now.',
  timetableCouldNotBeLooked: 'That timetable could not be looked for.',
};
