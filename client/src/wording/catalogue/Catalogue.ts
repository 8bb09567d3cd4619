export const wording = {
  catalogueCouldNotBeOpened: 'The catalogue could not be opened.',
  noSuchTerm: 'There is no such term.',
  catalogueNoTerm: (termId: string) => `The catalogue has no term “${termId}”.`,
};
