export const wording = {
  section: 'Section',
  room: 'Room',
};
