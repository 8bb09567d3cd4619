export const wording = {
  sketchesOfTerm: 'Sketches of this term',
  sketch: 'Sketch',
  timetables: 'Timetables',
  weekShapes: 'Week shapes',
  itsBest: 'Its best',
  open: 'Open',
  nonePossible: 'none is possible',
  isOpen: 'open',
};
