export const wording = {
  subjects: 'Subjects',
  pressSubjectToSeeEvery: 'Press a subject to see every course it offers.',
  courses: ' courses',
};
