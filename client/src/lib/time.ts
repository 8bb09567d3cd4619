/** Minutes after midnight, 0 to 1440. */
export type Minute = number;

export const minutesPerDay = 24 * 60;

/** Reads the `HH:MM` of the API. */
export function minuteOf(text: string): Minute {
  return Number(text.slice(0, 2)) * 60 + Number(text.slice(3, 5));
}

/** Writes the `HH:MM` of the API. */
export function apiTime(minute: Minute): string {
  return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
}

/** What a student types for an hour: 9, 9:30, 930, 9.30, 0930. Null when it is no time of day. */
export function readTime(typed: string): Minute | null {
  const match = /^\s*(\d{1,2})(?:\s*[:.h]\s*|)(\d{2})?\s*$/.exec(typed);
  if (!match) return null;
  const hours = Number(match[1]);
  const minutes = Number(match[2] ?? 0);
  const total = hours * 60 + minutes;
  return minutes < 60 && total <= minutesPerDay ? total : null;
}
