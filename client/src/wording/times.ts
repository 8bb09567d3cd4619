import { type Minute } from '@/lib/time';

/** As we say it: 9:30. */
export function sayTime(minute: Minute): string {
  return `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;
}

export function sayHours(start: Minute, end: Minute): string {
  return `${sayTime(start)}–${sayTime(end)}`;
}

/** A length of time: 45 min, 2 h, 2 h 05. */
export function sayLength(minutes: number): string {
  if (minutes < 60) return `${minutes} min`;
  const rest = minutes % 60;
  return rest === 0 ? `${minutes / 60} h` : `${Math.floor(minutes / 60)} h ${String(rest).padStart(2, '0')}`;
}
