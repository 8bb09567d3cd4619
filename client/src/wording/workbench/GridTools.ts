export const wording = {
  putTimetableOnShortlist: 'Put this timetable on the shortlist',
  onShortlist: (here: string) => `On the shortlist as “${here}”`,
  putTimetableOnShortlistS: 'Put this timetable on the shortlist (S)',
  showShortlistShiftS: 'Show the shortlist (Shift + S)',
  shortlist: 'Shortlist',
  showOnlySectionsKeep: 'Show only the sections you keep, and build the week one by one',
  weekShape: (rank: number) => `Week shape ${rank}`,
  byHand: 'By hand',
  printOrExportTimetable: 'Print or export this timetable',
  printP: 'Print (P)',
};
