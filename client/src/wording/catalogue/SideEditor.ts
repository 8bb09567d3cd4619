export const wording = {
  fullOrNot: 'Full or not',
  withSeatOrWaitlistPlace: 'With a seat or a waitlist place',
  withFreeSeat: 'With a free seat',
  sectionsMeetOnNo: 'Sections that meet on no other days',
  anyDay: 'Any day',
};
