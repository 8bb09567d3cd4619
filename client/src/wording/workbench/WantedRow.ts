export const wording = {
  dragToReorderDrop: 'Drag to reorder; drop on another course for one of the two',
  withoutForMoment: (id: string) => `Without ${id} for a moment`,
  withoutCourseForMoment: 'Without this course for a moment',
  sectionsNotTaken: (offered: number) => `${offered} sections, not taken`,
  inOf: (held: string, timetables: string) => `in ${held} of ${timetables}`,
  ofSectionsInPlay: (inPlay: number, offered: number) => `${inPlay} of ${offered} sections in play`,
};
