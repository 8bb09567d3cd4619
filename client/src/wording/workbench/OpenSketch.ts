export const wording = {
  leavesKnown: (known: string) => `leaves ${known}`,
  leavesKnownTimetables: (knownTimetables: string) => `leaves ${knownTimetables}`,
};
