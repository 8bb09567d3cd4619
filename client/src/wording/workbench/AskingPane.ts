export const wording = {
  whatAsk: 'What I ask',
  coursesAndRules: 'Courses and rules',
};
