export const wording = {
  asked: 'Asked your adviser:',
  ask: 'Ask your adviser…',
  words: 'What your adviser should know; may be left empty',
  send: 'Ask for the approval',
};
