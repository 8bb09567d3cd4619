export const wording = {
  fileCouldNotBeMade: 'The file could not be made.',
};
