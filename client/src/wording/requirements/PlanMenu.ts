export const wording = {
  planMenu: 'Print and keep terms ahead',
  print: 'Print',
  saveAsFile: 'Save as a file',
  openFile: 'Open a file',
  fileName: 'terms-ahead.plan.json',
  opened: (file: string) => `What ${file} holds stands in the terms now.`,
  notFileOfPlan: (file: string) => `${file} is no file of terms ahead: it holds no JSON.`,
};
