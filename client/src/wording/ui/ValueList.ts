export const wording = {
  findInList: 'Find in the list',
  nothingInList: (typed: string) => `Nothing in the list has “${typed}”.`,
  any: 'Any',
  moreTypeToFind: (more: number) => `and ${more} more; type to find them`,
};
