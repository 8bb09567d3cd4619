export const wording = {
  signInRunOut: 'Your sign-in has run out.',
  signInAgain: 'Sign in again',
  whatChangedSinceKept: ' What you changed since is kept in this browser. ',
  toGoOnWhere: ' to go on where you are.',
  notSavedYet: 'Not saved yet:',
  changesKeptInBrowser: ' Your changes are kept in this browser, and sent as soon as that is possible.',
};
