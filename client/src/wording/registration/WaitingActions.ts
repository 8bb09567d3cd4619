export const wording = {
  leaveLine: 'Leave the line',
  leaveLineOf: (course: string) => `Leave the line for ${course}`,
  placeGoes: (place: number, of: number) =>
    `You stand at place ${place} of ${of}. Whoever comes again begins at the end.`,
  stay: 'Stay',
  leave: 'Leave it',
};
