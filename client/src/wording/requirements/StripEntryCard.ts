const status: Partial<Record<string, string>> = {
  completed: 'completed',
  notCounted: 'does not count',
  underWay: 'under way',
  registered: 'registered',
};

export const wording = {
  status,
  oneOf: (requirement: string) => `${requirement}, one course`,
  moved: (name: string, term: string) => `${name} moved to ${term}.`,
  takenOut: (name: string, term: string) => `${name} is out of ${term}.`,
  moveTo: (term: string) => `Move to ${term}`,
  putIntoSketch: (sketch: string) => `Put into ${sketch} as a must`,
  inSketchNow: (name: string, sketch: string) => `${name} is a must of ${sketch} now.`,
  takeOut: 'Take out',
};
