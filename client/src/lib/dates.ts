const dayMs = 86_400_000;

/** So many days later. */
export function plusDays(date: string, by: number): string {
  return new Date(Date.parse(date) + by * dayMs).toISOString().slice(0, 10);
}

export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / dayMs);
}
