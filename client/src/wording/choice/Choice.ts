export const wording = {
  choiceCouldNotBeOpened: 'The choice could not be opened.',
  choiceCouldNotBeRead: 'The choice could not be read.',
  nothingChosenYet: 'Nothing is chosen yet',
  chooseOneOfTimetables:
    'Choose one of the timetables on your shortlist, and prepare here what to take if a section fills.',
  onWorkbenchSPutsTimetable:
    'On the Workbench, S puts a timetable on the shortlist. The one you settle on is chosen there or in the Line-up, and prepared here for the day registration opens.',
  undoLastChange: 'Undo the last change',
};
