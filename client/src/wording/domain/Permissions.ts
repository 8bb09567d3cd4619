const kinds: Record<string, string> = {
  consent: 'the instructor’s consent',
  prerequisite: 'leave to take it without what comes before',
  restriction: 'leave to take it though it is for others',
};

const sayKind = (kind: string) => kinds[kind] ?? kind;

export const wording = {
  permissions: 'Permissions',
  of: (kind: string) => `Asked for ${sayKind(kind)}:`,
  ask: 'Ask for a permission…',
  whatFor: 'Ask for',
  kind: sayKind,
  why: 'Why the instructor should give it',
  whyFor: (kind: string) => `Why the instructor should give ${sayKind(kind)}`,
  code: 'Or the code of a slip that the instructor gave you',
  send: 'Ask',
  giveIn: 'Give in the code',
  cancel: 'Cancel',
};
