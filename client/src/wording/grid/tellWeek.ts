export const wording = {
  noClass: 'no class',
};
