/** The word before the numbers: for one week, and for several. */
type WeekWord = { one: string; many: string };

/** Week numbers as one reads them: "weeks 1–8", "every 2nd week from 1", "weeks 3, 7". */
export function sayWeeks(weeks: readonly number[]): string {
  return said(weeks, { one: 'week', many: 'weeks' });
}

/** The same where there is little room: "wk 1–8". */
export function sayWeeksInShort(weeks: readonly number[]): string {
  return said(weeks, { one: 'wk', many: 'wk' });
}

function said(weeks: readonly number[], word: WeekWord): string {
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
