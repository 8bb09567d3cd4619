export const wording = {
  putInto: (name: string) => `Put ${name} into a term`,
  standsIn: (name: string, term: string) => `${name} stands in ${term} now.`,
  already: (term: string) => `${term}, where it stands`,
};
