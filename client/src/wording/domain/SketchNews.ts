export const wording = {
  someOfSketchCanNo: 'Some of this sketch can no longer be read, and is left out.',
  whereExpected: (path: string, found: string, expected: string) =>
    `${path}: ${found}, where ${expected} is expected`,
  nextChangeSavesSketchWithout: 'Your next change saves the sketch without it.',
};
