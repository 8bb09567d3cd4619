export const wording = {
  lanes: 'Lanes',
};
