export const wording = {
  whatToDo: 'What to do',
  typeWhatToDo: 'Type what to do',
  actions: 'Actions',
  noActionTheseWords: 'No action has these words.',
};
