export const wording = {
  noCourseTaken: 'No course is taken',
  startWithCourseNeed: 'Start with a course you need',
  allSetAside: 'All your courses are set aside. Make one a Must again, or add another.',
  typeCodeAndEveryTimetable: 'Type its code, and every timetable that can hold it appears on the grid.',
  addCourse: 'Add a course',
  startingPoints: 'Starting points',
  orLookAround: 'Or look around as',
};
