/** "4 cr", "1–2 cr". */
export function sayCredits(min: number, max: number): string {
  return min === max ? `${min} cr` : `${min}–${max} cr`;
}
