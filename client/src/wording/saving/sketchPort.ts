export const wording = {
  noSuchSketch: 'You have no such sketch.',
  sketchNotAnyMore: (name: string) =>
    `The sketch “${name}” is not there any more. What you changed is in a new sketch of that name.`,
};
