import { type Day, days } from '@/lib/days';

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
