export const wording = {
  narrowTo: 'Narrow to',
};
