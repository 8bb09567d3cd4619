export const wording = {
  timetablesGainedWithout: 'timetables gained without it',
  hoursAndBreaks: 'Hours and breaks',
  drawHoursCantOnGrid: 'Draw hours you can’t on the grid, or type them.',
  holdFingerOnGrid: 'Hold a finger on the grid to draw hours you can’t, or type them.',
  otherRules: 'Other rules',
  addRule: '+ Add a rule',
  hoursCantOrRather: 'Hours you can’t, or rather not',
  aBreak: 'A break',
  hoursFromCalendarIcs: 'Hours from a calendar (.ics)…',
  calendarFile: 'A calendar file',
  hours: 'Hours',
  daysCampusSeats: 'Days, campus and seats',
};
