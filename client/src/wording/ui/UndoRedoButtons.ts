export const wording = {
  redo: 'Redo',
};
