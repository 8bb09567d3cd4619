/** Weeks as one types them: "1-8, 10". Null for all of them, undefined where it cannot be read. */
export function readWeeks(typed: string, weekCount: number): number[] | null | undefined {
  const parts = typed.split(/[\s,]+/).filter((part) => part !== '');
  if (parts.length === 0 || typed.trim().toLowerCase() === 'all') return null;
  const weeks = new Set<number>();
  for (const part of parts) {
    const match = /^(\d{1,2})(?:[-–](\d{1,2}))?$/.exec(part);
    const [first, last] = [Number(match?.[1]), Number(match?.[2] ?? match?.[1])];
    if (!match || first < 1 || last < first || last > weekCount) return undefined;
    for (let week = first; week <= last; week++) weeks.add(week);
  }
  return [...weeks].sort((a, b) => a - b);
}

/** The same as text: runs as 1-8. */
export function writeWeeks(weeks: readonly number[] | null): string {
  const runs: [number, number][] = [];
  for (const week of weeks ?? []) {
    const last = runs.at(-1);
    if (last && last[1] === week - 1) last[1] = week;
    else runs.push([week, week]);
  }
  return runs.map(([first, last]) => (first === last ? String(first) : `${first}-${last}`)).join(', ');
}
