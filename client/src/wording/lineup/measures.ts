export const wording = {
  theSame: 'the same',
};
