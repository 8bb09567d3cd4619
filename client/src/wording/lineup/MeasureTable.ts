export const wording = {
  measures: 'Measures',
  measuresOfTimetablesWhatMatters: 'Measures of the timetables, what matters most first',
  measure: 'Measure',
  sameInAll: (lanesCount: number, equal: string) => `The same in all ${lanesCount}: ${equal}`,
  inId: (id: string, componentInline: string) => ` in ${id} ${componentInline}`,
  straightSwapsIfOneFills: 'Straight swaps if one fills',
  swapsSections: (swaps: number, sections: string) => `${swaps} of ${sections}`,
  bestTied: '◂ best, tied',
  inWhatDiffer: 'In what they differ',
};
