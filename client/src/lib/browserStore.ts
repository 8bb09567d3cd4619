/** Small things a browser remembers for convenience. Nothing depends on them: a full or closed store is no error. */
export function remember(name: string, value: unknown): void {
  try {
    localStorage.setItem(`hour-grid.${name}`, JSON.stringify(value));
  } catch {
    // The browser keeps nothing; the page works without.
  }
}

/** What was remembered, if it still has the shape it should. */
export function recall<T>(name: string, isShape: (value: unknown) => value is T): T | null {
  try {
    const value: unknown = JSON.parse(localStorage.getItem(`hour-grid.${name}`) ?? 'null');
    return isShape(value) ? value : null;
  } catch {
    return null;
  }
}

export function isTexts(value: unknown): value is string[] {
  return Array.isArray(value) && value.every((item) => typeof item === 'string');
}

export function isNumbersByName(value: unknown): value is Record<string, number> {
  return (
    typeof value === 'object' &&
    value !== null &&
    Object.values(value).every((item) => typeof item === 'number')
  );
}
