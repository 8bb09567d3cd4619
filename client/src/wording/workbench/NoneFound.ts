export const wording = {
  noTimetablePossible: 'No timetable is possible',
  betweenSectionsKeepEachMarked: (conflicts: string) =>
    `${conflicts} between sections you keep; each is marked on the grid with its minutes.`,
  cannotBeTakenEvenAlone: (courses: string, isOne: boolean) =>
    `${courses} cannot be taken even alone: none of ${isOne ? 'its' : 'their'} sections is left by your rules.`,
  notPossible: 'This is not possible: ',
  theseNotPossibleTogether: 'These are not possible together: ',
  and: ' and ',
  asFarAsCouldBe: ', as far as could be found in time',
  takeWeek: 'Take this week',
  nearestWeekStandsFaintly: (all: string, part: string) =>
    `The nearest week stands faintly on the grid. It goes against ${all}${part}. `,
  undoLastChange: 'Undo the last change',
  noSingleChangeAndNo: 'No single change and no two together help. Set a course aside.',
  moreWays: (more: number) => `and ${more} more ways`,
};
