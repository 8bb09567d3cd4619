export const wording = {
  shortlist: 'Shortlist',
  whatBecameOfCould: (message: string) => `What became of them could not be looked up: ${message} `,
  s: 'S',
  nothingOnShortlistYetWalk: 'Nothing is on the shortlist yet. Walk to a timetable you like and press ',
  andStaysHereWithName: ', and it stays here with a name and a note, whatever becomes of your rules.',
  timetablesOnShortlist: 'Timetables on the shortlist',
};
