export const wording = {
  noSetHours: 'No set hours',
};
