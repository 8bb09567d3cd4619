export const wording = {
  breakSaid: (said: string) => `break ${said}`,
  noBreak: (said: string) => `no break of ${said}`,
};
