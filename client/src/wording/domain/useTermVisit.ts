export const wording = {
  catalogueNoTerm: (termId: string) => `The catalogue has no term “${termId}”.`,
};
