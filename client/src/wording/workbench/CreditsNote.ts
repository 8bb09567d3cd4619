export const wording = {
  fullTime: 'Full-time from',
  awardFrom: 'Award from',
  creditsToReach: 'Credits to reach',
  creditsChangeWhatHeldAgainst: (range: string) => `${range} credits. Change what they are held against`,
  rangeCredits: (range: string) => `${range} credits`,
  credits: 'credits',
  onlyTellsToLeaveOut: 'This only tells you. To leave out timetables that miss it, add the rule “Credits”.',
  minMax: (min: number, max: number) => `${min} to ${max}`,
  shortOfFullTime: (less: string, fullTime: number) => `${less} short of full-time (${fullTime})`,
  overMaximum: (less: string, maximum: number) => `${less} over the maximum of ${maximum}`,
  fullTimeShortOfAward: (less: string, award: number) => `full-time; ${less} short of the award (${award})`,
  upToOverMaximum: (less: string, maximum: number) =>
    `up to ${less} over the maximum of ${maximum} with all of them`,
};
