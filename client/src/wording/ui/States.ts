export const wording = {
  loading: 'Loading',
  whatSavedSafe: (message: string) => `${message} What you saved is safe.`,
};
