export const wording = {
  section: 'Section',
  room: 'Room',
  seatsLeft: 'Seats left',
  ifFills: 'If it fills',
  whatFillsFirstAndHardest: 'what fills first and is hardest to replace comes first',
  registerInOrder: 'Register in this order',
  place: 'Place',
  goneFromCatalogue: 'is gone from the catalogue',
  registered: '✓ registered',
};
