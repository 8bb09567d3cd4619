export const wording = {
  hoursOffered: 'Hours offered',
  withoutName: 'Without a name',
};
