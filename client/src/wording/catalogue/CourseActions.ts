export const wording = {
  must: 'Must',
  addAsMust: 'Add as must',
  ifFits: 'If it fits',
  eitherOr: 'Either–or…',
  oneOf: (course: string) => `One of this and ${course}`,
  removeFromSketch: 'Remove from sketch',
  inSketch: (take: string, courses: string) => `In the sketch: ${take} of ${courses}.`,
};
