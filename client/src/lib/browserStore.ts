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

export function forget(name: string): void {
  try {
    localStorage.removeItem(`hour-grid.${name}`);
  } catch {
    // What is not kept need not be forgotten.
  }
}

/** Forgets everything, that nothing of somebody is left here. */
export function forgetAll(): void {
  for (const name of rememberedNames('')) forget(name);
}

/** The names of all that is remembered under names that begin so. */
export function rememberedNames(beginning: string): string[] {
  try {
    return Object.keys(localStorage)
      .filter((name) => name.startsWith(`hour-grid.${beginning}`))
      .map((name) => name.slice('hour-grid.'.length));
  } catch {
    return [];
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
