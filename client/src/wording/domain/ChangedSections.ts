export const wording = {
  catalogueChanged: 'The catalogue has changed.',
  notOfferedAnyMore: 'is not offered any more.',
  meetsAtOtherHoursNow: 'meets at other hours now.',
  whichKeep: (course: string, label: string, number: string, part: string) =>
    `${course} ${label} (${number}), which you keep, ${part}`,
  iHaveSeenIt: 'I have seen it',
  stopKeepingWhatGone: 'Stop keeping what is gone',
};
