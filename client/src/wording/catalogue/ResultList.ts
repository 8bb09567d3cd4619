export const wording = {
  bestMatch: 'Best match',
  mostTimetables: 'Most timetables',
  code: 'Code',
  freeSeats: 'Free seats',
  searchDidNotWork: 'The search did not work.',
  sketchSafe: (message: string) => `${message} Your sketch is safe.`,
  coursesFound: 'Courses found',
  order: 'Order',
  onlyThoseFitSketch: 'Only those that fit the sketch',
  noneOfTheseCoursesFits: 'None of these courses fits the sketch.',
  showAllToSeeWhy: 'Show them all to see why: each says what it clashes with.',
  showAll: (unfit: number) => `Show all ${unfit}`,
  noCourseOfTerm: (words: string) => `No course of this term has “${words}”.`,
  lookedForInCodesTitles:
    'Looked for in codes, titles, descriptions, instructors, what courses count as, and registration numbers, and forgave one wrong letter a word.',
  clearWords: 'Clear the words',
  coursesMatchAndNarrowingHides: (matches: number) =>
    `${matches} courses match, and the narrowing hides them all.`,
  showMore: (more: number, loosening: string) => `Show ${more} more ${loosening}`,
  showAllCoursesAgain: 'Show all courses again',
};
