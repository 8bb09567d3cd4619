export const wording = {
  ratherNot: 'rather not',
};
