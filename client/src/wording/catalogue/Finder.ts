export const wording = {
  wholeTerm: 'the whole term',
  catalogueTerm: (term: string) => `Catalogue, ${term}`,
  findCourses: 'Find courses',
  findCourseCodeTitleSubject:
    'Find a course: code, title, subject, instructor, what it counts as, registration number',
  subjects: 'Subjects',
  pasteNumbers: 'Paste numbers',
};
