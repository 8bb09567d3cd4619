export const wording = {
  kept: 'Kept',
  moveTo: 'Move to',
  leavesNone: 'leaves none',
  leavesCount: (count: string) => `leaves ${count}`,
};
