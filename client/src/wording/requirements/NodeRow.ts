export const wording = { or: '· or' };
