export const wording = {
  saveAsFile: 'Save as a file',
  saveWhatAsks: 'Save what it asks',
  saveAnswer: 'Save the answer',
  largerThanSketchCanBe: (file: string) => `“${file}” is larger than a sketch can be.`,
  notFileOfSketch: (file: string) => `“${file}” is not a file of a sketch: it is not JSON.`,
  sketchFromFile: 'Sketch from a file',
};
