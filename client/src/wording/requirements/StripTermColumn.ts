export const wording = {
  movedTo: (term: string) => `Moved to ${term}.`,
  credits: (credits: number) => `${credits} cr`,
  creditsOver: (credits: number, maximum: number) => `${credits} cr, over ${maximum}`,
  inSketch: (sketch: string, courses: string) => `In ${sketch}: ${courses}`,
};
