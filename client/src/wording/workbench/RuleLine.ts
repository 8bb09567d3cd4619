export const wording = {
  switchOffKept: 'Switch off; it is kept',
  switchOn: 'Switch on',
  removeText: (text: string) => `Remove: ${text}`,
  atLeastMoreTimetablesWithout: (least: string) => `At least ${least} more timetables without it`,
  timetablesWithout: ' timetables without it',
  onlyWish: 'only a wish',
  moreTimetablesWithout: (cost: string) => `${cost} more timetables without it`,
};
