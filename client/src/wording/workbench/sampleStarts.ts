export const wording = {
  boatyardShift: 'Boatyard shift',
  firstYearUndecided: 'First year, undecided',
  thirdYearCoastalScience: 'Third year, Coastal science',
  tid210MAR105CAR: 'TID 210, MAR 105, CAR 305, LOG 118, perhaps ROB 101; a shift on Wednesday afternoons',
  glassOnThreeDays: 'Glass, on three days at most',
};
