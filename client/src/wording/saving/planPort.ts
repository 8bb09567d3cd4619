export const wording = {
  termsAhead: 'Terms ahead',
  planNotYours: 'What stands in terms ahead is another student’s.',
};
