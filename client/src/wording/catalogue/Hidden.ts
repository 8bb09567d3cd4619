export const wording = {
  looking: 'Looking',
  ofFitSketch: (total: string, courses: string) => `${total} of ${courses} fit the sketch.`,
  fitCanBeUsedOnce: (mostByFit: number) => `Fit can be used once there are ${mostByFit} courses or fewer.`,
  more: (more: string) => `${more} more`,
  showAll: (matches: string) => `Show all ${matches}`,
  nothingHidden: 'Nothing is hidden.',
  notOfferedTerm: (courses: string) => `${courses} not offered this term.`,
};
