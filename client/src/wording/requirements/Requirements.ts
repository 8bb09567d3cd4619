export const wording = {
  notKnownWhoYouAre: 'It is not known just now who you are.',
  couldNotBeOpened: 'The requirements could not be opened.',
  signInToSee: 'Sign in to see what your degree still needs',
  requirementsRestOnRecord:
    'Requirements rest on your record, which the registrar gives to you alone. Everything else works without.',
  noCampusToSignInAt: 'This server knows of no campus to sign in at, so there is no record to read.',
  signIn: 'Sign in',
};
