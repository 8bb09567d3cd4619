export const wording = {
  registrarDoesNotSayJust: 'The registrar does not say just now whether you may take it.',
  mayTake: 'You may take it.',
  mayNotTakeAsThings: 'You may not take it as things are',
  byRecordRegistrarDoes: (age: string) => `By your record ${age}; the registrar does not answer.`,
};
