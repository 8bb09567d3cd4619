export const wording = {
  showing: 'Showing',
  sideNameTextChange: (sideName: string, text: string) => `${sideName}: ${text}. Change`,
  narrow: '+ narrow',
};
