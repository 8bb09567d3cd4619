export const wording = {
  addCourse: 'Add a course',
  addCourseCodeTitle: 'Add a course: code, title or subject',
  coursesFound: 'Courses found',
  andMoreType: (more: number) => `and ${more} more; type on to narrow`,
  noCourseOfTerm: (asked: string) => `No course of this term has “${asked}” in its code, title or subject.`,
  alreadyWanted: 'already wanted',
  ofWithFreeSeat: (components: string, sectionsWithSeat: number, sections: string) =>
    `${components} · ${sectionsWithSeat} of ${sections} with a free seat`,
};
