export const wording = {
  sectionKeepGoneFromCatalogue: 'A section you keep is gone from the catalogue.',
  noTimetableCanStopKeeping: 'No timetable can have it. Stop keeping it, and the others are shown.',
  couldNotBeAnswered: 'This could not be answered.',
  workbench: 'Workbench',
  timetablesWeekShapes: (timetables: string, weekShapes: string) => `${timetables} in ${weekShapes}`,
  notAnswered: 'Not answered.',
  whatSeeAnswerBefore: (message: string) => ` ${message} What you see is the answer before.`,
};
