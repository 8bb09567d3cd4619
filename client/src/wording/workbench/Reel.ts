export const wording = {
  weekShapes: 'Week shapes',
  notAllWeekShapesCould: (message: string) => `Not all week shapes could be fetched. ${message}`,
};
