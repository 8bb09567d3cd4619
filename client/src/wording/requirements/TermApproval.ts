export const wording = {
  approved: (term: string) => `Your adviser has approved ${term}.`,
  notApproved: (term: string) =>
    `Your adviser has not approved ${term} yet. Planning goes on; registering waits for it.`,
};
