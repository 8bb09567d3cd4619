import type { Ranked } from '@/api/client';
import type { Day } from '@/lib/days';
import { minuteOf } from '@/lib/time';
import { placed, type Sections } from '@/domain/useSections';

/** What a week shape is to have, in minutes and numbers; empty for whatever it has. */
export type ShapeFacts = { off: readonly Day[]; after: string; before: string; idle: string; seats: string };

export const anyFacts: ShapeFacts = { off: [], after: '', before: '', idle: '', seats: '' };

/** Whether a timetable has the facts asked for. */
export function suits(
  { measures, sections: numbers }: Ranked,
  facts: ShapeFacts,
  sections: Sections,
): boolean {
  const { earliestStart, latestEnd } = measures;
  if (facts.after !== '' && (earliestStart === null || minuteOf(earliestStart) < Number(facts.after)))
    return false;
  if (facts.before !== '' && (latestEnd === null || minuteOf(latestEnd) > Number(facts.before))) return false;
  if (facts.idle !== '' && measures.idleMinutes > Number(facts.idle)) return false;
  if (facts.seats !== '' && measures.seatsToSpare < Number(facts.seats)) return false;
  if (facts.off.length === 0) return true;
  return placed(sections, numbers).every(({ section }) =>
    section.meetings.every((meeting) => !(facts.off as readonly string[]).includes(meeting.day)),
  );
}
