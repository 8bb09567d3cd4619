export const wording = {
  typeDate: (date: string, date2: string) => `Type a date from ${date} to ${date2}.`,
};
