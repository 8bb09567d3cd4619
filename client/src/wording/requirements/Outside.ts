export const wording = {
  fromOutside: 'From outside',
  countsAs: (what: string, course: string, credits: string) => `${what} → ${course}, ${credits}`,
  forRequirements: (names: string) => `, for ${names}`,
  forNone: ', for no requirement yet',
  forNoRequirement: 'Given to no requirement',
};
