export const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

export type Day = (typeof days)[number];

export function isDay(text: string): text is Day {
  return (days as readonly string[]).includes(text);
}

/** The days among these, Monday first, anything else left out. */
export function daysOf(texts: readonly string[]): Day[] {
  return days.filter((day) => texts.includes(day));
}
