const minute = 60_000;

/** How long ago a moment was, as in "as of 3 min ago". */
export function sayAge(asOf: string, now: number): string {
  const minutes = Math.floor((now - Date.parse(asOf)) / minute);
  if (minutes < 1) return 'as of just now';
  if (minutes < 60) return `as of ${minutes} min ago`;
  const hours = Math.floor(minutes / 60);
  if (hours < 24) return `as of ${hours} h ago`;
  const days = Math.floor(hours / 24);
  return `as of ${days} ${days === 1 ? 'day' : 'days'} ago`;
}
