export const wording = {
  minCr: (min: number) => `${min} cr`,
  minMaxCr: (min: number, max: number) => `${min}–${max} cr`,
};
