export const wording = {
  fewestChanges: 'In order of fewest changes',
  explained: (count: number) =>
    `The first ${count} timetables of this sketch by how many courses they change of what you hold; of equals, the best first.`,
  looking: 'Looking …',
  inTime: 'Not all could be looked at in time: one with fewer changes may be missing.',
  none: 'There is none. Release something that is held.',
  show: 'Show it',
};
