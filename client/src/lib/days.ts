export const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

export type Day = (typeof days)[number];

const short: Record<Day, string> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
};

const full: Record<Day, string> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
};

export function isDay(text: string): text is Day {
  return (days as readonly string[]).includes(text);
}

/** The days among these, Monday first, anything else left out. */
export function daysOf(texts: readonly string[]): Day[] {
  return days.filter((day) => texts.includes(day));
}

export function shortDay(day: Day): string {
  return short[day];
}

export function fullDay(day: Day): string {
  return full[day];
}

/** Several days as one reads them: Mon–Fri, Tue Thu. */
export function sayDays(some: readonly Day[]): string {
  const places = some.map((day) => days.indexOf(day));
  const first = places[0];
  const last = places.at(-1);
  if (first !== undefined && last !== undefined && places.length > 2 && last - first === places.length - 1)
    return `${short[days[first]!]}–${short[days[last]!]}`;
  return some.map(shortDay).join(' ');
}
