/** Whether two values of JSON are the same: those that are written alike. */
export const isSame = (one: unknown, other: unknown): boolean =>
  JSON.stringify(one) === JSON.stringify(other);
