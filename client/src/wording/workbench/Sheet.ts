export const wording = {
  allWeekShapes: 'All week shapes',
  mostDifferent: 'Most different',
  loading: 'Loading',
  foundOfLooked: (foundCount: string, allCount: string, listed: string) =>
    `${foundCount} found; ${allCount} of ${listed} looked at`,
  notAllWeekShapesCould: (message: string) => `Not all week shapes could be fetched. ${message}`,
  noListedWeekShapeAll: 'No listed week shape has all of this.',
  showAllAgain: 'Show them all again',
  differMostOfBest: (shown: number, listed: string) => `${shown} that differ most, of the best ${listed}`,
  bestOf: (listed: string, least: string) => `the best ${listed} of ${least}`,
  weekShape: 'week shape',
  weekShapes: 'week shapes',
  weekShapesAll: (weekShapes: string, all: string) => `${weekShapes} of ${all}`,
};
