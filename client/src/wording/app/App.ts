export const wording = {
  hourGridDidNotAnswer: 'Hour Grid did not answer.',
  thePlace: (place: string) => `The ${place}`,
  termsCouldNotBeRead: 'The terms could not be read.',
  noCatalogueYet: 'There is no catalogue yet.',
  noTermBeenImported: 'No term has been imported.',
  page: 'page',
};
