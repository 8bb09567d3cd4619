export const wording = {
  dropCourse: (course: string) => `Drop ${course}?`,
  goes: (bundle: string) => `Your seat in ${bundle} goes to whoever is next. It may not come back.`,
  asking: 'Asking what else would fall …',
  nothingElse: 'Nothing else falls with it.',
  keepIt: 'Keep it',
  drop: 'Drop it',
};
