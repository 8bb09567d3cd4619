export const wording = {
  set: 'Set',
};
