export const wording = {
  mustNoTimetableWithout: 'Must: no timetable without it',
  ifCanBeOnlyCounts: 'If it can be: it only counts in what matters',
  chooseAtLeastOneDay: 'Choose at least one day.',
  typeNumberOfMinutes: 'Type a number of minutes.',
  windowOnlyMinutes: (room: number) => `The window has only ${room} minutes.`,
  break: 'Break',
  aBreak: 'A break',
  freeTimeMayMove: 'Free time that may move: so many minutes somewhere between two hours.',
  minutes: 'Minutes',
  between: 'Between',
  newBreak: 'Add the break',
  howStrongly: 'How strongly',
};
