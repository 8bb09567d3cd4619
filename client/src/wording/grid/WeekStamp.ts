export const wording = {
  betweenAnd: (day: string, firstHour: number, firstHour2: number) =>
    `${day} between ${firstHour} and ${firstHour2}`,
  noSetHours: 'No set hours.',
  sectionsMeet: (parts: string) => `Sections meet ${parts}.`,
};
