export const wording = {
  secondTimetable: 'Second timetable',
  ifAllFallsThrough: 'If it all falls through',
  wholeSecondTimetableCanStand: 'A whole second timetable can stand behind the choice.',
  putAnotherTimetableOnShortlist:
    'Put another timetable on the shortlist, and it can stand behind the choice as a whole.',
  changeSecondPlan: 'Change the second plan',
  addSecondPlan: 'Add a second plan',
  none: 'None',
};
