export const wording = {
  whatBroke: (what: string) => `${what} broke.`,
  mistakeOfOurs: (message: string) =>
    `A mistake of ours, not of yours: ${message}. Nothing you did is lost; what is not saved yet is kept in this browser.`,
  goOn: 'Go on',
  loadPageAgain: 'Load the page again',
};
