/** A count as the API sends it: decimal digits of any length. */
export type Count = string;

/** Digits grouped by thousands: 8,214,331. */
export function sayCount(count: Countable): string {
  return String(count).replace(/\B(?=(\d{3})+$)/g, ',');
}

/** "1 timetable", "412 timetables". */
export function countOf(count: Countable, one: string, many = `${one}s`): string {
  return `${sayCount(count)} ${BigInt(count) === 1n ? one : many}`;
}

/** "1 credit", "8.5 credits": an amount that may have decimals. */
export function sayAmount(amount: number, one: string): string {
  return `${amount} ${amount === 1 ? one : `${one}s`}`;
}

/** Below this, an estimate is written out like a count, so that the two can be compared at a glance. */
const longestWritten = 1e12;

/**
 * "about 8,110,000,000", "about 4.4 × 10¹³": no more digits than the estimate is good for, and how far it may be off
 * where that is much.
 */
export function sayAbout({ timetables, relativeError }: About): string {
  const digits = relativeError < 0.005 ? 3 : 2;
  const rounded = Number(timetables.toPrecision(digits));
  const off = relativeError < 0.05 ? '' : ` (± ${Math.round(relativeError * 100)} %)`;
  if (rounded < longestWritten) return `about ${sayCount(Math.round(rounded))}${off}`;
  const [number, power] = rounded.toExponential().split('e+') as [string, string];
  return `about ${number} × 10${power.replaceAll(/\d/g, (digit) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(digit)]!)}${off}`;
}

/** "412", or "at least 412" where there may be more. */
export function sayLeast(count: Count, isExact: boolean): string {
  return `${isExact ? '' : 'at least '}${sayCount(count)}`;
}

type About = { timetables: number; relativeError: number };

export type Countable = Count | bigint | number;

type Known = { timetables: Count; isExact: boolean; estimate: About | null };

/** How many timetables there are, as well as it is known: "412", "about 8,110,000,000", "at least 1,000". */
export function sayKnown({ timetables, isExact, estimate }: Known): string {
  return !isExact && estimate ? sayAbout(estimate) : sayLeast(timetables, isExact);
}

/** As {@link sayKnown}, with what is counted: "1 timetable", "about 8,110,000,000 timetables". */
export function knownTimetables(known: Known): string {
  return known.isExact ? countOf(known.timetables, 'timetable') : `${sayKnown(known)} timetables`;
}

/** As in 1st, 2nd, 3rd, 11th. */
export function sayOrdinal(count: number): string {
  const [tens, ones] = [Math.floor(count / 10) % 10, count % 10];
  const ending = tens === 1 ? 'th' : (['th', 'st', 'nd', 'rd'][ones] ?? 'th');
  return `${count}${ending}`;
}
