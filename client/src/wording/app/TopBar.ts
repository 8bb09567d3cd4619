export const wording = {
  hourGrid: 'Hour Grid',
  places: 'Places',
  termChange: (current: string) => `Term: ${current}. Change`,
};
