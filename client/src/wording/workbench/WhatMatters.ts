export const wording = {
  whatMatters: 'What matters',
  whatMattersStart: 'What matters, start from',
  myOwn: 'My own',
  showAllWeekShapes: 'Show all week shapes',
};
