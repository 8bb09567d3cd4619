export const wording = {
  lineUpHoldsEight: 'The line-up holds eight at most',
  addFromShortlist: '+ Add from shortlist',
};
