export const wording = {
  section: 'Section',
  room: 'Room',
  seatsLeft: 'Seats left',
  ifFills: 'If it fills',
  whatFillsFirstAndHardest: 'what fills first and is hardest to replace comes first',
  registerInOrder: 'Register in this order',
  place: 'Place',
  goneFromCatalogue: 'is gone from the catalogue',
  borderTBorderHairAlign:
    'border-t border-hair align-top max-md:flex max-md:flex-wrap max-md:gap-x-3 max-md:py-1.5 max-md:[&>td]:p-0',
  registered: '✓ registered',
};
