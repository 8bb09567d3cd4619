export const wording = {
  tooManyTimetablesToSay:
    'There are too many timetables to say in how many each section stands, and what each rule costs.',
  keys: 'Keys ',
  wanted: 'Wanted',
};
