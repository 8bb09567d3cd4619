export const wording = {
  recommended: 'Recommended · ',
  hiddenHides: (hides: number) => ` · ${hides} hidden`,
  ofWithSeats: (sectionsWithSeat: number, sections: string) =>
    ` · ${sectionsWithSeat} of ${sections} with seats`,
  timetablesRole: (role: string) => `timetables · ${role}`,
  timetablesWith: 'timetables with it',
  orMore: (timetables: string) => `${timetables} or more`,
};
