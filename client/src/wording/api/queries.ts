export const wording = {
  noCalendarChosen: 'No calendar was chosen.',
  fileTooLarge600KB: 'The file is too large: 600 kB are read at most.',
};
