/** A moment by the clock of the campus: 9:40:03 of today, with its day of another. */
export function sayMoment(moment: string | number, timeZone: string, now = Date.now()): string {
  const at = new Date(moment);
  const time = at
    .toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', second: '2-digit', timeZone })
    .replace(/^0/, '');
  const dayOf = (date: Date) =>
    date.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone });
  const day = dayOf(at);
  return day === dayOf(new Date(now)) ? time : `${day}, ${time}`;
}

/** Time until something: 12 s, 4 min 05 s, 3 h 20 min, 2 days. */
export function sayUntil(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1_000));
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 60) return `${minutes} min ${String(seconds % 60).padStart(2, '0')} s`;
  const hours = Math.floor(minutes / 60);
  if (hours < 48) return `${hours} h ${String(minutes % 60).padStart(2, '0')} min`;
  return `${Math.floor(hours / 24)} days`;
}
