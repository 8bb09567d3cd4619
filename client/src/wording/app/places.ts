export const wording = {
  requirements: 'Requirements',
  catalogue: 'Catalogue',
  workbench: 'Workbench',
  lineUp: 'Line-up',
  registration: 'Registration',
};
