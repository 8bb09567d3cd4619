import { counted } from '@/wording/counted';
import { sayAmount } from '@/wording/counts';

export const wording = {
  areYours: (held: number, courses: number) =>
    held === courses
      ? held === 1
        ? 'Your course is registered'
        : `All ${courses} courses are yours`
      : `${held} of ${courses} courses are yours`,
  ready: (ready: number, courses: number) => `Ready: ${ready} of ${courses}`,
  askingRegistrar: 'Asking the registrar …',
  soMuch: (credits: number, waiting: number, needing: number) =>
    [
      `${sayAmount(credits, 'credit')} registered.`,
      waiting === 0 ? '' : waiting === 1 ? 'One is waiting.' : `${waiting} are waiting.`,
      needing === 0 ? '' : needing === 1 ? 'One needs you.' : `${needing} need you.`,
    ]
      .filter((part) => part !== '')
      .join(' '),
  nothingRegistered: (term: string) => `The choice for ${term}. Nothing is registered yet.`,
  credits: (credits: number) => counted.credits(credits),
  shortOfFullTime: (short: number, fullTime: number) => `${short} short of full-time (${fullTime})`,
  fullTime: (fullTime: number) => `full-time is ${fullTime}`,
  toKeep: 'What is registered, to keep',
  export: 'Export',
  history: 'History',
  changeIt: 'Change it',
};
