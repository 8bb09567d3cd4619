export const wording = {
  leastCredits: 'Least credits',
  mostCredits: 'Most credits',
  to: 'to',
  anyCredits: 'Any credits',
  noCredits: 'Credits are numbers from 0 on.',
  mostMustNotBeLess: 'The most must not be less than the least.',
};
