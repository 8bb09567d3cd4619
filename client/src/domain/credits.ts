import { wording } from '@/wording/domain/credits';
/** "4 cr", "1–2 cr". */
export function sayCredits(min: number, max: number): string {
  return min === max ? wording.minCr(min) : wording.minMaxCr(min, max);
}
