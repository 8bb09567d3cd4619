export const wording = {
  signingInDidNotWork: 'Signing in did not work.',
  signIn: 'Sign in',
  recordAndSigningOut: (person: string) => `${person}: your record, and signing out`,
  yourRecord: 'Your record',
  signOut: 'Sign out',
};
