export const wording = {
  lineUp: 'Line-up',
  sketchCouldNotBeOpened: 'The sketch could not be opened.',
  fadeWhatEachShares: (letter: string) => `fade what each shares with ${letter}`,
  fadeWhatAllShare: (shownCount: number) => `fade what all ${shownCount} share`,
  chooseLetter: (letter: string) => `Choose ${letter}`,
  addSecondTimetableAndHeld: 'Add a second timetable, and they are held against each other here.',
  couldNotBeCompared: (message: string) => `They could not be compared: ${message} `,
};
