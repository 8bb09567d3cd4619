export const wording = {
  termsAheadNotRead: 'What stands in terms ahead could not be read.',
  requirementsNotRead: 'Your requirements could not be read.',
  registrarAway: (age: string) =>
    `The registrar does not answer just now. This rests on your record as it was ${age}.`,
  whatTermOffers: (term: string) => `What ${term} offers`,
  noProgrammeKnown: 'No programme of yours is known here',
  programmesNotHere: (names: string) =>
    `The registrar says: ${names}. What it asks for has not been imported. Terms ahead work without.`,
  inNoProgramme: 'The registrar has you in no programme yet. Terms ahead work without.',
};
