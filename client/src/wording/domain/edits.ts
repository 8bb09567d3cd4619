export const wording = {
  must: 'Must',
  ifFits: 'If it fits',
  setAside: 'Set aside',
};
