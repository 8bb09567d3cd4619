export const wording = {
  close: 'Close',
};
