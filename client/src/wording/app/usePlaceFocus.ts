export const wording = {
  hourGrid: 'Hour Grid',
};
