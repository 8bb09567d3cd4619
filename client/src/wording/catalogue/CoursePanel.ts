export const wording = {
  couldNotBeOpened: (id: string) => `${id} could not be opened.`,
  allOffers: (subject: string) => `All that ${subject} offers`,
  materials: 'Materials',
  withCourseSketchNoTimetable: 'With this course the sketch has no timetable.',
  atLeast: 'At least ',
  ofSketchWithCourseEach: (part: string, timetables: string) =>
    `${part}${timetables} of the sketch with this course; each section says in how many of them it stands.`,
  noSectionOfTakesPlace: (term: string) => `No section of it takes place in ${term}.`,
  countsAs: (attributes: string) => `counts as ${attributes}`,
  needs: 'Needs',
  takeWithOrBefore: 'Take with it, or before it',
};
