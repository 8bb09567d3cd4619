/** A count as the API sends it: decimal digits of any length. */
export type Count = string;

/** Digits grouped by thousands: 8,214,331. */
export function sayCount(count: Count | bigint | number): string {
  return String(count).replace(/\B(?=(\d{3})+$)/g, ',');
}

/** "1 timetable", "412 timetables". */
export function countOf(count: Count | bigint | number, one: string, many = `${one}s`): string {
  return `${sayCount(count)} ${BigInt(count) === 1n ? one : many}`;
}
