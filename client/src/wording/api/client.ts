export const wording = {
  hourGridCannotBeReached: 'Hour Grid cannot be reached.',
  signInRunOut: 'Your sign-in has run out.',
  browserNotKnownAnyMore: 'This browser was not known any more. Try again.',
  serverAnswered: (status: number) => `The server answered ${status}.`,
};
