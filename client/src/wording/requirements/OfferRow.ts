export const wording = {
  withSeats: (free: number, sections: string) => `${free} of ${sections} with seats`,
  alsoCountsAs: (names: string) => `also counts as ${names}`,
  timetables: (count: string) => (count === '1' ? 'timetable' : 'timetables'),
  counting: 'counting …',
  notYet: 'not yet',
  settles: (credits: string) => `settles ${credits}`,
  add: 'Add',
  addAs: (course: string, sketch: string) => `Add ${course} to ${sketch} as a must`,
  added: (course: string, sketch: string) => `${course} is a must of ${sketch} now.`,
  takeOut: (course: string) => `Take ${course} out`,
  takenOut: (course: string, sketch: string) => `${course} is out of ${sketch}.`,
  nowInSketch: (role: string) => `Now in the sketch: ${role}`,
};
