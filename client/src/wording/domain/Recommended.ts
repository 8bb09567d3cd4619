export const wording = {
  byAdviser: 'Recommended by your adviser',
  said: (words: string) => `: “${words}”`,
};
