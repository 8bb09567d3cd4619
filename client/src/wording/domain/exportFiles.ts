export const wording = {
  calendarIcs: 'Calendar (.ics)',
  spreadsheetCsv: 'Spreadsheet (.csv)',
  plainTextTxt: 'Plain text (.txt)',
  picturePng: 'Picture (.png)',
  pictureDarkPng: 'Picture, dark (.png)',
  drawingSvg: 'Drawing (.svg)',
  drawingDarkSvg: 'Drawing, dark (.svg)',
};
