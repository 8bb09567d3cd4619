export const wording = {
  holds: 'Holds',
  nothingStandsInWay: 'Nothing stands in the way of registering.',
  putBy: (office: string) => `put by ${office}`,
  readAndAgree: 'I have read this and agree',
  toClear: (office: string) => `${office} has to clear it.`,
};
