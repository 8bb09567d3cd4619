export const wording = {
  notSaved: 'Not saved',
  saving: 'Saving',
  saved: 'Saved',
};
