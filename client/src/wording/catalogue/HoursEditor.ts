export const wording = {
  from: 'From',
  to: 'To',
  sectionsMeetAtNo: 'Sections that meet at no other hours',
  anyHour: 'Any hour',
  noTimeOfDayType: (part: string) => `“${part}” is no time of day. Type it as 9:30.`,
};
