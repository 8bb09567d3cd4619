export const wording = {
  notDone: (message: string) => `That was not done. ${message}`,
  changeNotTaken: (message: string) => `That change was not taken. ${message}`,
};
