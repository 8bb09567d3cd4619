import { type Day, days, daysOf } from '@/lib/days';
import { sayDays } from '@/wording/days';
import { minuteOf } from '@/lib/time';
import { sayHours } from '@/wording/times';
import { common } from '@/wording/common';

type Meeting = {
  day: string;
  start: string;
  end: string;
  weeks: readonly number[];
  campus: string | null;
  room?: string;
};

/** Whatever has meetings: a section as it is, or as it was seen. */
type WithMeetings = { meetings: readonly Meeting[] };

/** Meetings that differ in the weekday alone, as one line of a section. */
export type MeetingLine = {
  days: Day[];
  hours: string;
  weeks: readonly number[];
  room: string;
  campus: string | null;
};

export function meetingLines(section: WithMeetings): MeetingLine[] {
  const lines = new Map<string, { days: string[]; line: MeetingLine }>();
  for (const meeting of section.meetings) {
    const key = [meeting.start, meeting.end, meeting.room, meeting.campus, spanOf(meeting.weeks)].join('|');
    const known = lines.get(key);
    if (known) known.days.push(meeting.day);
    else
      lines.set(key, {
        days: [meeting.day],
        line: {
          days: [],
          hours: sayHours(minuteOf(meeting.start), minuteOf(meeting.end)),
          weeks: meeting.weeks,
          room: meeting.room ?? '',
          campus: meeting.campus,
        },
      });
  }
  return [...lines.values()].map(({ days: some, line }) => ({ ...line, days: daysOf(some) }));
}

/** The first or last week of a term may lack a weekday; that makes no other line. */
function spanOf(weeks: readonly number[]): string {
  const step = (weeks[1] ?? 0) - (weeks[0] ?? 0);
  return `${Math.ceil((weeks[0] ?? 0) / 2)} ${Math.ceil((weeks.at(-1) ?? 0) / 2)} ${step}`;
}

/** The hours of a section in a line. */
export function sayMeetings(section: WithMeetings): string {
  const lines = meetingLines(section).map((line) => `${sayDays(line.days)} ${line.hours}`);
  return lines.length === 0 ? common.noSetHours : [...new Set(lines)].join(', ');
}

/** Days to draw as a row of letters: the usual five, and the weekend where it is used. */
export function lettersFor(lines: readonly MeetingLine[]): Day[] {
  const last = Math.max(4, ...lines.flatMap((line) => line.days.map((day) => days.indexOf(day))));
  return days.slice(0, last + 1);
}
