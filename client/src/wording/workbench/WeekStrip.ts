export const wording = {
  weeks: 'Weeks',
  noClass: ', no class',
  weekFrom: (one: number, date: string, part: string) => `Week ${one}, from ${date}${part}`,
  noClassThen: ': no class',
  weekOfDate: 'Week of a date',
  allWeeksAtOnce: 'all weeks at once',
  showAllWeeks: 'show all weeks',
};
