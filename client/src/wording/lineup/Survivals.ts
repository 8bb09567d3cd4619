export const wording = {
  ifSectionFills: 'If a section fills',
  registered: '✓ registered',
  straightSwap: 'A straight swap: ',
  onlyAnotherTimetable: 'Only another timetable: ',
  nothingTakesPlace: 'Nothing takes its place',
};
