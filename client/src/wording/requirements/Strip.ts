export const wording = {
  termsAhead: 'Terms ahead',
  terms: 'Terms',
};
