export const wording = {
  wantedCourses: 'Wanted courses',
};
