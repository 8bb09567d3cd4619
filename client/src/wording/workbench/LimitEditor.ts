export const wording = {
  noClassBefore: 'No class before',
  noClassAfter: 'No class after',
  onlyWithFreeSeat: 'Only with a free seat',
  seatOrPlaceInWaitlist: 'A seat or a place in the waitlist',
  fullSectionsToo: 'Full sections too',
  timeExample: 'a time such as 9:30',
  credits: 'credits',
};
