export const wording = {
  drop: 'Drop',
  dropCourse: (course: string) => `Drop ${course}`,
  swap: 'Swap',
  swapCourse: (course: string) => `Swap ${course} for other sections`,
};
