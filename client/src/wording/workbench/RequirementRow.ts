export const wording = {
  remove: (requirement: string) => `Take ${requirement} out of the sketch`,
  ofCourses: (count: number) => `one of ${count} courses`,
  possible: (possible: number, of: number) => `one of ${of} courses, ${possible} of them possible`,
};
