const names: Record<string, string> = {
  inPerson: 'in person',
  hybrid: 'hybrid',
  onlineLive: 'online at set hours',
  online: 'online',
};

/** A delivery mode as one reads it. */
export function sayMode(mode: string): string {
  return names[mode] ?? mode;
}
