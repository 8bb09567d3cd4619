export const wording = {
  programme: 'Programme',
  from: (from: string) => `from ${from}`,
  nothingMissing: 'Nothing is missing',
  nothingMissingPlanned: 'Nothing is missing with what is planned',
  atMost: (amount: string) => `at most ${amount}`,
  stillShort: 'still short',
  planSettles: (credits: number) => `; your plan settles ${credits} more`,
  freeChoice: (credits: number) => ` but ${credits} credits of free choice`,
  creditsSoFar: (completed: number, underWay: number, planned: number, needed: number) =>
    `${completed} done · ${underWay} under way · ${planned} planned · of ${needed} credits`,
  alsoIn: (names: string) => `You are also in ${names}, which is not known here.`,
};
