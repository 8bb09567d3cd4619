export const wording = {
  hourGrid: 'Hour grid',
};
