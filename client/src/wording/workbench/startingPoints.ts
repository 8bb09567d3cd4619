export const wording = {
  bitOfEverything: 'A bit of everything',
  fewDaysOnCampus: 'Few days on campus',
  sleepIn: 'Sleep in',
  doneEarly: 'Done early',
  noWaitingAround: 'No waiting around',
  easyDays: 'Easy days',
  sureToGet: 'Sure to get in',
};
