export const wording = {
  registered: 'registered',
};
