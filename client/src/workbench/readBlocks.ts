import type { TimeBlock } from '@/api/client';
import { newBlock } from '@/grid/blocks';
import { type Day, days, daysOf } from '@/lib/days';
import { readTime } from '@/lib/time';
import { wording } from '@/wording/workbench/readBlocks';
import { common } from '@/wording/common';

/** What a typed line says: a block, or a sentence on what is missing. */
export type ReadLine = { block: TimeBlock } | { problem: string };

const aliases: Record<string, readonly Day[]> = {
  daily: days.slice(0, 5),
  weekdays: days.slice(0, 5),
  weekend: days.slice(5),
};

/** The most hours that are read at once. */
const mostRead = 100;

/** Reads several hours, apart from each other by `;` or line ends: each part, and what it says. */
export function readBlocks(typed: string): { part: string; line: ReadLine }[] {
  return typed
    .split(/[;\r\n]+/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .slice(0, mostRead)
    .map((part) => ({ part, line: readBlock(part) }));
}

/** Reads "tue thu 8-12 shift", "Mon–Fri 18:00 to 20 rather not": days, hours, and then what it is. */
export function readBlock(typed: string): ReadLine {
  const soft = /\brather not\b/i.test(typed);
  const words = typed
    .replace(/\brather not\b|\bcan[’']?t\b/gi, ' ')
    .replaceAll(',', ' ')
    .replace(/\s*[–—-]\s*|\s+(?:to|until)\s+/gi, '-')
    .trim()
    .split(/\s+/);
  const found: Day[] = [];
  let at = 0;
  for (; at < words.length; at++) {
    const some = readDays(words[at]!);
    if (!some) break;
    found.push(...some);
  }
  if (found.length === 0) return { problem: wording.beginWithDays };
  const [from, to] = (words[at] ?? '').split('-').map(readTime);
  if (from == null || to == null) return { problem: wording.afterDaysComeHours };
  if (to <= from) return { problem: common.endMustComeAfterStart };
  const label = words.slice(at + 1).join(' ');
  return {
    block: newBlock(daysOf(found), { start: from, end: to }, label, soft ? 'ratherNot' : 'cannot'),
  };
}

function readDays(word: string): readonly Day[] | null {
  const [first, last] = word.toLowerCase().split('-');
  if (aliases[first!]) return aliases[first!]!;
  const start = dayOf(first!);
  if (!start) return null;
  if (last === undefined) return [start];
  const end = dayOf(last);
  return end && days.indexOf(end) >= days.indexOf(start)
    ? days.slice(days.indexOf(start), days.indexOf(end) + 1)
    : null;
}

function dayOf(word: string): Day | undefined {
  return word.length >= 2
    ? days.find((day) => word.startsWith(day.slice(0, Math.min(3, word.length))))
    : undefined;
}
