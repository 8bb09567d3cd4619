export const wording = {
  looking: 'Looking for the end …',
  putPlanIn: 'Put such a plan in',
  planIsIn: 'A plan that reaches it stands in the terms now.',
  notSure: 'There was no time to be sure: it may take longer.',
};
