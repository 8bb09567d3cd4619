export const wording = {
  lineUpCouldNotBe: 'The line-up could not be opened.',
  lineUpNotRead: 'The line-up could not be read.',
  nothingLinedUpYet: 'Nothing is lined up yet',
  addTimetablesFromShortlists:
    'Add timetables from your shortlists, and see them side by side, hour by hour.',
  onWorkbenchWalkToTimetable:
    'On the Workbench, walk to a timetable you like and press L. With two or more you see them here side by side, hour by hour.',
};
