export const wording = {
  couldNotBeRestored: 'It could not be restored.',
  isDeleted: (data: string) => `“${data}” is deleted. `,
};
