import type { Press } from '@/api/client';

/** When something was sent, by the registrar's clock in milliseconds: as it says, or as near as is known until it answers. */
export function sentAt(press: Press, aheadMs: number): number {
  return press.answer ? Date.parse(press.answer.atUtc) : Date.parse(press.sentUtc) + aheadMs;
}

/** After how many seconds the answer was known; null until then. */
export function answeredAfter({ sentUtc, answeredUtc }: Press): number | null {
  return answeredUtc === null ? null : (Date.parse(answeredUtc) - Date.parse(sentUtc)) / 1_000;
}
