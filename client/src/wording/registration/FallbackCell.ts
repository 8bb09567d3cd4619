export const wording = {
  noTimetableSection: 'No timetable has that section.',
  couldNotBeLooked: 'That could not be looked for.',
  then: 'Then ',
  straightSwap: 'A straight swap: ',
  onlyAnotherTimetable: 'Only another timetable: ',
  nothingTakesPlace: 'Nothing takes its place',
  drop: 'Drop',
  prepareFor: (course: string, component: string) => `Prepare this for ${course} ${component}`,
  prepare: 'Prepare',
  pickAnother: (course: string, component: string) => `Pick another for ${course} ${component}`,
  pickAnotherShort: 'Pick another',
};
