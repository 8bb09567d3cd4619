import { isSame } from '@/lib/isSame';

type Plain = Readonly<Record<string, unknown>>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * A change (from `before` to `after`) made on something else than it was first made on: a three-way merge. What the
 * change leaves alone stays as it is there; where both say something of one value, the change has the last word.
 */
export function merge<T>(before: T, after: T, onto: T): T {
  if (isSame(before, after)) return onto;
  if (isSame(before, onto)) return after;
  if (Array.isArray(before) && Array.isArray(after) && Array.isArray(onto))
    return mergeLists(before, after, onto) as T;
  if (!isPlain(before) || !isPlain(after) || !isPlain(onto)) return after;
  const [from, to] = [before as Plain, after as Plain];
  return Object.fromEntries(
    Object.keys({ ...onto, ...after }).map((key) => [key, merge(from[key], to[key], (onto as Plain)[key])]),
  ) as T;
}

/** Items are known by what names them, or where nothing does, by all that they are. */
function nameOf(item: unknown): string {
  if (!isPlain(item)) return JSON.stringify(item);
  const { id, course, sketch, timetable } = item;
  if (typeof id === 'string') return id;
  if (typeof course === 'string') return course;
  if (typeof sketch === 'string' && typeof timetable === 'string') return `${sketch} ${timetable}`;
  return JSON.stringify(item);
}

/** Equal items are told apart by how many of them came before. */
function named(list: readonly unknown[]): Map<string, unknown> {
  const items = new Map<string, unknown>();
  for (const item of list) {
    const name = nameOf(item);
    let key = name;
    for (let n = 2; items.has(key); n++) key = `${name} #${n}`;
    items.set(key, item);
  }
  return items;
}

function mergeLists(
  before: readonly unknown[],
  after: readonly unknown[],
  onto: readonly unknown[],
): unknown[] {
  const [was, is, there] = [named(before), named(after), named(onto)];
  const kept = [...there.keys()].filter((key) => !was.has(key) || is.has(key));
  const common = [...is.keys()].filter((key) => was.has(key));
  const isReordered = !isSame(
    common,
    [...was.keys()].filter((key) => is.has(key)),
  );
  const order = isReordered
    ? [...common.filter((key) => there.has(key)), ...kept.filter((key) => !common.includes(key))]
    : kept;
  // What is new stands behind what it was put behind.
  let last: string | undefined;
  for (const key of is.keys()) {
    if (!was.has(key) && !order.includes(key))
      order.splice(last === undefined ? 0 : order.indexOf(last) + 1, 0, key);
    if (order.includes(key)) last = key;
  }
  return order.map((key) =>
    was.has(key) && is.has(key)
      ? merge(was.get(key), is.get(key), there.get(key))
      : (is.get(key) ?? there.get(key)),
  );
}
