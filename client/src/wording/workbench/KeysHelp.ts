export const wording = {
  keys: 'Keys',
  switchOffIfSpeak: 'Switch them off if you speak to the browser, or press keys by accident.',
  keysOfOneCharacterWork: 'Keys of one character work by themselves',
};
