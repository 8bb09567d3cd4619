export const wording = {
  eitherOr: (courses: string) => `Either–or of ${courses}`,
  take: 'take',
  to: 'to',
  ofCoursesCount: (coursesCount: number) => `of ${coursesCount}`,
};
