export const wording = {
  courses: 'Courses',
  allCourses: 'All, also those I may not take',
  thatIMayTake: 'That I may take, by my record',
  fullOrNot: 'Full or not',
  withSeatOrWaitlistPlace: 'With a seat or a waitlist place',
  withFreeSeat: 'With a free seat',
  sectionsMeetOnNo: 'Sections that meet on no other days',
  anyDay: 'Any day',
};
