export const wording = {
  campusesAllowed: 'Campuses allowed',
  preferredCampus: 'Preferred campus',
  deliveryModes: 'Delivery modes',
};
