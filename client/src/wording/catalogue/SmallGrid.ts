export const wording = {
  pointAtSectionToSee: 'Point at a section to see its hours.',
  sketchsTimetableInViewSection: 'The sketch’s timetable in view; the section you point at is outlined.',
  sketchNoTimetableAtPresent: 'The sketch has no timetable at present; the section you point at is outlined.',
};
