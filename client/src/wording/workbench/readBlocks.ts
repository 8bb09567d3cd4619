export const wording = {
  beginWithDays: 'Begin with the days, as in tue thu 8-12 shift.',
  afterDaysComeHours: 'After the days come the hours, as in 8-12 or 13:30-15.',
};
