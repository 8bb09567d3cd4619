export const wording = {
  lineUpAndChoice: 'line-up and choice',
  noTermInCatalogueAny: (term: string) => `There is no term ${term} in the catalogue any more.`,
};
