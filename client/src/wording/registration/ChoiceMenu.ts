export const wording = {
  moreOfChoice: 'More to do with the choice',
  goOnFromHere: 'Go on from here',
  copyAllNumbers: (count: number) => `Copy all ${count} numbers`,
  calendarAddress: 'Calendar address…',
  print: 'Print',
  chooseNone: 'Choose none',
};
