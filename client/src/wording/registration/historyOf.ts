export const wording = {
  register: (bundle: string) => `Register ${bundle}`,
  swap: (bundle: string, given: string) => `Register ${bundle}, giving up ${given}`,
  drop: (bundle: string) => `Drop ${bundle}`,
  leaveLine: (course: string) => `Leave the line for ${course}`,
  noAnswerYet: 'sent, no answer yet',
  registered: (confirmation: string, isInstead: boolean) =>
    `registered${isInstead ? ' what was prepared instead' : ''}, confirmation ${confirmation}`,
  waiting: (place: number, of: number) => `waiting, place ${place} of ${of}`,
  dropped: 'dropped',
  left: 'left',
  refused: (sentences: readonly string[]) => `not registered: ${sentences.join(' ')}`,
  ended: (kind: string, bundle: string) =>
    kind === 'letIn' ? `Let in: ${bundle}` : `Taken from the line: ${bundle}`,
};
