export const wording = {
  otherPlaces: 'Other places',
  keepId: (id: string, component: string, day: string, hours: string, label: string) =>
    `Keep ${id} ${component}, ${day} ${hours}: ${label}`,
};
