export const wording = {
  showWhatTellsApart: 'Show what tells them apart',
  andShowWhatTellsApart: ', show what tells them apart',
  alike: (alike: string) => `${alike} alike`,
};
