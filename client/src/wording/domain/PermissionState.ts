export const wording = {
  waiting: 'waiting for an answer.',
  granted: 'granted.',
  refused: 'refused.',
  answered: (words: string) => ` “${words}”`,
};
