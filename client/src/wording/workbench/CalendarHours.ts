export const wording = {
  readingCalendar: 'Reading the calendar …',
  nothingInCalendarTakesPlace: (term: string) => `Nothing in this calendar takes place in ${term}.`,
  dashedOnGridOfferedHatched: 'Dashed on the grid: offered. Hatched: picked. Press either to change it.',
  events: 'Events',
  withoutName: 'Without a name',
  allDay: ' · all day',
  inOneWeek: ' · in one week only',
  passedOver: (events: string) => `${events} passed over`,
  takeOut: (events: string) => `Take ${events} out`,
  close: 'Close',
  hoursIn: (file: string) => `Hours in “${file}”`,
};
