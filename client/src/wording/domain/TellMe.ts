export const wording = {
  ask: 'Tell me when there is a seat',
  asked: 'You are told of a seat',
};
