export const wording = {
  files: 'Files',
};
