export const wording = {
  catalogue: 'Catalogue',
  workbench: 'Workbench',
  lineUp: 'Line-up',
  choice: 'Choice',
};
