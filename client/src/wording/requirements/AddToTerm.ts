export const wording = {
  addTo: (term: string) => `Add a course to ${term}`,
  findCourse: 'Find a course',
  nothingFound: 'No course matches.',
  standsIn: (course: string, term: string) => `${course} stands in ${term} now.`,
};
