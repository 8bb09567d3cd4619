export const wording = {
  offersNotRead: 'What the term offers could not be read.',
  asksFor: (need: string) => `· asks for ${need}`,
  counting: (courses: string) => ` · counting for it: ${courses}`,
  nothingOffered: (term: string) => `${term} offers nothing for it that you do not have.`,
  wouldSettle: (courses: string, term: string, may: number) =>
    `${courses} of ${term} would settle some of what is missing; ${may === 0 ? 'you may take none of them yet' : `you may take ${may}`}.`,
  couldTake: (courses: string, term: string, may: number) =>
    `Nothing is missing here. ${courses} of ${term} would count for it, too; you may take ${may}.`,
  askForThis: 'Ask for this one',
  askForOneOf: (count: number) => `Ask for one of these ${count}`,
  takeOutOf: (sketch: string) => `Take it out of ${sketch}`,
  asked: (leaf: string, sketch: string) => `${sketch} asks for ${leaf} now: one of its courses.`,
  notAskedAnyMore: (leaf: string, sketch: string) => `${sketch} does not ask for ${leaf} any more.`,
  putIntoTerm: 'Put it into a term',
  everyTimetableThatSettles: (sketch: string) => `Every timetable of ${sketch} that also settles it:`,
  counting2: 'Counting …',
  firstOf: (most: number) => `No more than ${most} courses are asked for at once: those that settle most.`,
  offered: (leaf: string) => `Courses for ${leaf}`,
};
