/** Cards laid along the reel at once: more would outgrow what a browser can scroll. */
const mostCards = 50_000n;

/** The stretch of week shapes on the reel: all of them, or as many as fit around the one in view. */
export function windowAround(shape: bigint, total: bigint): { first: bigint; count: bigint } {
  if (total <= mostCards) return { first: 0n, count: total };
  // Whole steps, so that walking does not move the window under the student.
  const half = mostCards / 2n;
  const first = (shape / half) * half - half / 2n;
  return { first: first < 0n ? 0n : first > total - mostCards ? total - mostCards : first, count: mostCards };
}
