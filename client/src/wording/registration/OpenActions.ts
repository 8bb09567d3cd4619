export const wording = {
  register: 'Register',
  registerCourse: (course: string) => `Register ${course} alone`,
  takeInstead: (bundle: string) => `Take ${bundle}`,
  wait: 'Wait in line',
  waitFor: (course: string) => `Wait in line for ${course}`,
  bestOfRest: 'See what fits',
};
