export const wording = {
  and: ', and ',
  insteadOf: (all: string) => `, instead of ${all}`,
  goneFromCatalogue: ' — gone from the catalogue',
  fullByNow: ' — full by now',
};
