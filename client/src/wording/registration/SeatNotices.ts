const all = (courses: number) => (courses === 2 ? 'both' : `all ${courses}`);

export const wording = {
  told: 'You are told in the page and by mail when there is a seat in:',
  remove: 'Do not tell me',
  notAnyMore: (bundle: string) => `Do not tell me of a seat in ${bundle}`,
  whole: (courses: number) => ({
    ask: `Tell me when ${all(courses)} have a seat`,
    asked: `You are told when ${all(courses)} have a seat`,
  }),
};
