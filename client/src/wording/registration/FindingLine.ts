export const wording = {
  changeInWorkbench: 'Change it in the Workbench',
  readAndAgree: 'Read it and agree',
  readIt: 'Read it',
  close: 'Done',
};
