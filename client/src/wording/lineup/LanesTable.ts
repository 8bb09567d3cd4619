export const wording = {
  classesByDay: 'Classes by day',
  day: 'Day',
  shared: ', shared',
  noClass: 'no class',
};
