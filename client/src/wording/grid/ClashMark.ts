export const wording = {
  ofConflict: ' of conflict',
  minutesMin: (minutes: number) => `${minutes} min`,
};
