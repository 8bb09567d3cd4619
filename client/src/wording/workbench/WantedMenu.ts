export const wording = {
  oneOfSeveral: 'one of several',
  idPartChange: (id: string, part: string) => `${id}: ${part}. Change`,
  eitherOr: 'Either–or',
  eitherThisOr: (course: string) => `Either this or ${course}`,
  moveUp: 'Move up',
  moveDown: 'Move down',
  removeFromSketch: 'Remove from sketch',
};
