export const wording = {
  couldNotBeOpened: 'The registration could not be opened.',
  signInToRegister: 'This is a plan. To register it, sign in as a student.',
  signIn: 'Sign in',
  nothingChosenYet: 'Nothing is chosen yet',
  chooseOneOfTimetables:
    'Choose one of the timetables on your shortlist, and prepare here what to take if a section fills.',
  onWorkbenchSPutsTimetable:
    'On the Workbench, S puts a timetable on the shortlist. The one you settle on is chosen there or in the Line-up, and prepared here for the day registration opens.',
  undoLastChange: 'Undo the last change',
};
