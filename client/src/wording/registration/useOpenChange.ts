export const wording = {
  changeOf: (term: string) => `Change of ${term}`,
  couldNotBeOpened: 'The change could not be opened.',
};
