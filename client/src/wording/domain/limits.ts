export const wording = {
  keepsKeep: (keep: string) => `keeps ${keep}`,
  withoutRuleOut: (ruleOut: string) => `without ${ruleOut}`,
  onlyWith: (instructors: string) => `only with ${instructors}`,
  onlyModes: (modes: string) => `only ${modes}`,
  onlyOn: (campuses: string) => `only on ${campuses}`,
  ofOr: (take: string, others: string) => `${take} of this or ${others}`,
  minMax: (min: number, max: number) => `${min} to ${max}`,
  onlyWithFreeSeat: 'only with a free seat',
  withSeatOrPlace: 'with a seat or a place in the waitlist',
  fullSectionsToo: 'full sections too',
};
