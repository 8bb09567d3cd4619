export const wording = {
  noTime: 'Type a time such as 9:30.',
};
