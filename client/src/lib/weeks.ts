/** Week numbers as one reads them: "weeks 1–8", "every 2nd week from 1", "weeks 3, 7". */
export function sayWeeks(weeks: readonly number[], word: { one: string; many: string }): string {
  const first = weeks[0];
  const last = weeks.at(-1);
  if (first === undefined || last === undefined) return '';
  if (weeks.length === 1) return `${word.one} ${first}`;
  const step = weeks[1]! - first;
  const even = weeks.every((week, i) => week === first + i * step);
  if (even && step === 1) return `${word.many} ${first}–${last}`;
  if (even && step === 2 && weeks.length > 2) return `every 2nd ${word.one} from ${first}`;
  return `${word.many} ${weeks.join(', ')}`;
}
