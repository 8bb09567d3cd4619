export const wording = {
  registrationNumbers: 'Registration numbers',
  pasteAnyTextWithRegistration: 'Paste any text with registration numbers in it: a mail, a note, a list.',
  keepInSketch: 'Keep in the sketch',
  keepSections: (sections: string) => `Keep ${sections} in the sketch`,
  copyKept: (numbers: string) => `Copy the ${numbers} kept`,
  noRegistrationNumberInText: 'No registration number is in this text.',
  isCancelled: (number: string, course: string, component: string) =>
    `${number}: ${course} ${component} is cancelled.`,
  sectionOfNotOfTerm: (number: string, terms: string) =>
    `${number} is a section of ${terms}, not of this term.`,
  thisNumber: 'this number',
  theseNumbers: 'these numbers',
  noSectionOfCatalogue: (unknown: string, part: string) =>
    `${unknown}: no section of this catalogue has ${part}.`,
  alsoNeeds: (course: string, component: string) => `${course} also needs a ${component}`,
  noGoes: (component: string) => `No ${component} goes with what you have.`,
};
