import { type GridClass, meetsAllTerm } from './classes';

/** Where a class stands in its day's band, as parts of the band's height. */
export type Share = { top: number; height: number };

const whole: Share = { top: 0, height: 1 };
const upper: Share = { top: 0, height: 0.5 };
const lower: Share = { top: 0.5, height: 0.5 };

/**
 * The share of the band for the part of the term in which a class meets: the upper half for the first part, the lower
 * for the second, and for every second week the half that its first week points to.
 */
function naturalShare(weeks: readonly number[], weekCount: number): Share {
  if (meetsAllTerm(weeks, weekCount)) return whole;
  const first = weeks[0] ?? 1;
  const last = weeks.at(-1) ?? 1;
  if (last <= Math.ceil(weekCount / 2)) return upper;
  if (first > weekCount / 2) return lower;
  return first % 2 === 1 ? upper : lower;
}

function meet(a: Share, b: Share): boolean {
  return a.top < b.top + b.height && b.top < a.top + a.height;
}

/**
 * Shares for the classes of one day. Classes at the same hours that never meet in one week would be drawn over each
 * other where their natural shares coincide; those are set in lanes under each other, earliest week first.
 */
export function sharesOfDay(classes: readonly GridClass[], weekCount: number): Map<string, Share> {
  const shares = new Map(classes.map((one) => [one.key, naturalShare(one.weeks, weekCount)]));
  for (const cluster of clustersByHours(classes)) {
    const collides = cluster.some((one, i) =>
      cluster
        .slice(i + 1)
        .some((other) => atOnce(one, other) && meet(shares.get(one.key)!, shares.get(other.key)!)),
    );
    if (!collides) continue;
    cluster
      .toSorted(
        (a, b) =>
          (a.weeks[0] ?? 0) - (b.weeks[0] ?? 0) ||
          a.start - b.start ||
          (a.section.number < b.section.number ? -1 : 1),
      )
      .forEach((one, lane) =>
        shares.set(one.key, { top: lane / cluster.length, height: 1 / cluster.length }),
      );
  }
  return shares;
}

function atOnce(one: GridClass, other: GridClass): boolean {
  return one.start < other.end && other.start < one.end;
}

/** Runs of classes in which each overlaps an earlier one in time. */
function clustersByHours(classes: readonly GridClass[]): GridClass[][] {
  const clusters: GridClass[][] = [];
  let end = -1;
  for (const one of classes.toSorted((a, b) => a.start - b.start)) {
    if (one.start >= end || clusters.length === 0) clusters.push([]);
    clusters.at(-1)!.push(one);
    end = Math.max(end, one.end);
  }
  return clusters;
}
