export const wording = {
  done: 'done',
  underWay: 'under way',
  planned: 'planned',
  notNeeded: 'not needed',
  shortBy: (amount: string) => `short by ${amount}`,
  takeOf: (count: number) => `${count} of these`,
  all: 'all of these',
  withGrade: (amount: string, grade: string) => `${amount}, with a grade of ${grade} or better`,
  byExam: (course: string) => `${course} by exam`,
  fromElsewhere: (course: string) => `${course} from elsewhere`,
  isUnderWay: (course: string) => `${course} under way`,
  isPlanned: (course: string) => `${course} planned`,
};
