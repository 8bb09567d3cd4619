export const wording = {
  chooseAnother: 'Choose another',
  chooseTimetable: 'Choose a timetable',
};
