export const wording = { termsAhead: 'Terms ahead', planned: 'planned' };
