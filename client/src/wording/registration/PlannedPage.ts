export const wording = {
  browserDidNotLetNumbers: 'The browser did not let the numbers be copied. Select them in the list instead.',
  sketchCouldNotBeOpened: 'The sketch could not be opened.',
  choiceForPlanNothingRegistered: (term: string) =>
    `The choice for ${term}: a plan. Nothing is registered by it.`,
  goOnFromHere: 'Go on from here',
  chooseNone: 'Choose none',
  print: 'Print',
  export: 'Export',
  calendarAddress: 'Calendar address…',
  copyAllNumbers: (inOrderCount: number) => `Copy all ${inOrderCount} numbers`,
  week: 'Week',
  weekOfChoice: 'Week of the choice',
};
