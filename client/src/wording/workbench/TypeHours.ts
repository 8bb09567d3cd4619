export const wording = {
  typeHoursCant: 'Type hours you can’t',
  example: 'Type hours: tue thu 8-12 shift; fri 9-11',
  allLines: (linesCount: number) => `all ${linesCount}`,
  enterTakes: (part: string) => `Enter takes ${part}.`,
  theOne: 'it',
};
