import { sayMoment } from '@/wording/moments';

const lowerFirst = (sentence: string) =>
  /^[A-Z][a-z]/.test(sentence) ? sentence.slice(0, 1).toLowerCase() + sentence.slice(1) : sentence;

export const wording = {
  wasFull: (bundle: string) => `${bundle} had no seat;`,
  swapTaken: 'the swap you prepared was taken.',
  swapRefused: (why: string) => `It was not swapped: ${lowerFirst(why)} What you held stays.`,
  confirmation: (confirmation: string, at: string, timeZone: string) =>
    `confirmation ${confirmation}, ${sayMoment(at, timeZone)}`,
  letInByItself: 'Let in by itself when it is your turn.',
  instructorLetsIn: 'The instructor lets in from this line.',
  moved: (first: number, now: number) =>
    now < first ? `Moved up from place ${first} to ${now}.` : `Moved down from place ${first} to ${now}.`,
  givesUp: (bundle: string) => `When you are let in, ${bundle} is given up in the same step.`,
  passedOver: (why: string) => `A seat went to another: ${lowerFirst(why)} You keep your place.`,
  asAllOthers: 'Waits for what stands above; nothing else is in the way.',
  askedUntilKnown: 'It is asked for until the answer is known, and done once.',
  refusedThen: (why: string) => `Refused then: ${lowerFirst(why)} Now nothing stands in the way.`,
};
