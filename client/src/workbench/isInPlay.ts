import type { Ask } from '@/api/client';

/** Whether there is anything to take. */
export function isInPlay(ask: Ask): boolean {
  return ask.wanted.some((wanted) => wanted.role !== 'setAside') || ask.eitherOr.length > 0;
}
