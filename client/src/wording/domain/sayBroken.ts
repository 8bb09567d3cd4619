export const wording = {
  namesCountGone: (names: string, count: string) => `${names} ${count} gone.`,
  movedSincePutOnShortlist: (names: string, part: string) =>
    `${names} ${part} moved since it was put on the shortlist.`,
  atSameHours: (names: string) => `${names} are at the same hours.`,
  cannotBeTakenWithThese: (all: string) => `${all} cannot be taken with these sections any more.`,
  namesCountFull: (names: string, count: string) => `${names} ${count} full.`,
  breaksRule: (brokenRule: string) => `It breaks a rule: ${brokenRule}.`,
  sketchDoesNotTakeAny: (all: string) => `The sketch does not take ${all} any more.`,
  noTimeToLook: 'There was no time to look at every rule.',
  mustIsNotIn: (course: string) => `${course} is a must, and is not in it`,
};
