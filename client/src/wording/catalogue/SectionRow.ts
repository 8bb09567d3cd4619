export const wording = {
  materials: 'Materials:',
  inNone: 'in none',
  inStanding: (standing: string) => `in ${standing}`,
  keepComponent: (component: string) => `Keep ${component}`,
  kept: 'Kept',
  ruleOut: (component: string) => `Rule out ${component}`,
  out: 'Out',
  creditsCr: (credits: number) => `${credits} cr`,
  withGoesWith: (goesWith: string) => `with ${goesWith}`,
  needsInstructorsConsent: 'needs the instructor’s consent',
  closedByRegistrar: 'closed by the registrar',
  seatsShared: (seatsShared: string) => `seats shared: ${seatsShared}`,
};
