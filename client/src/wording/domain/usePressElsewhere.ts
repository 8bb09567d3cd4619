export const wording = {
  couldNotBeSent: 'It could not be sent.',
  oneIsUnsent: 'Something pressed before has not been sent yet: the Registration has it.',
};
