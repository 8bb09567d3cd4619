/** "Mon and Tue". */
export function joinAnd(items: readonly string[]): string {
  return items.join(' and ');
}

/** "this or that". */
export function joinOr(items: readonly string[]): string {
  return items.join(' or ');
}

/** "this, that or the third". */
export function listOr(items: readonly string[]): string {
  return items.length <= 2 ? joinOr(items) : `${items.slice(0, -1).join(', ')} or ${items.at(-1)!}`;
}
