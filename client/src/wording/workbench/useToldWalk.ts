export const wording = {
  nRank: (rank: number, factsOf: string) => `N° ${rank}: ${factsOf}`,
};
