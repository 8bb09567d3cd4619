import type { Course, Section } from '@/api/client';
import { type Day, isDay } from '@/lib/days';
import { type Minute, minuteOf } from '@/lib/time';
import { sayHours } from '@/wording/times';
import { fullDay } from '@/wording/days';
import { sayWeeks, sayWeeksInShort } from '@/wording/weeks';
import { joinAnd } from '@/wording/lists';

/** One of the eight course colours. */
export type Colour = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8;

/** A section with its course, as the pictures need it. */
export type PlacedSection = { course: Course; section: Section; colour: Colour };

/** One meeting of a section, ready to draw. */
export type GridClass = PlacedSection & {
  key: string;
  day: Day;
  start: Minute;
  end: Minute;
  weeks: readonly number[];
  room: string;
  /** Only near to what is asked: drawn faintly, and marked where it goes against it. */
  near?: 'fits' | 'against';
  /** How it stands with the registrar; absent where it is only planned. */
  standing?: ClassStanding;
};

/** How a section stands with the registrar, and what stands in it where there is more to say. */
export type ClassStanding = { kind: 'sent' | 'held' | 'waiting' | 'refused'; text: string; short: string };

export function classesOf(sections: readonly PlacedSection[]): GridClass[] {
  return sections.flatMap((placed) =>
    placed.section.meetings.flatMap((meeting, i) =>
      isDay(meeting.day)
        ? [
            {
              ...placed,
              key: `${placed.section.number}/${i}`,
              day: meeting.day,
              start: minuteOf(meeting.start),
              end: minuteOf(meeting.end),
              weeks: meeting.weeks,
              room: meeting.room,
            },
          ]
        : [],
    ),
  );
}

export function colourOf(colour: Colour): string {
  return `var(--course-${colour})`;
}

/** A course in one letter, for where there is no width; its colour and its full name tell it from others. */
export function markOf(course: string): string {
  return course.slice(0, 1);
}

export function sayComponent(section: Pick<Section, 'component' | 'label'>): string {
  return `${capital(section.component)} ${section.label}`;
}

/** The same inside a sentence: "lecture L03". */
export function sayComponentInline(section: Pick<Section, 'component' | 'label'>): string {
  return `${section.component} ${section.label}`;
}

/** The same where there is little width: "Lec L03". */
export function sayComponentShort(section: Section): string {
  return `${capital(section.component.slice(0, 3))} ${section.label}`;
}

function capital(word: string): string {
  return word.slice(0, 1).toUpperCase() + word.slice(1);
}

/** The weeks of a class where there is little width, such as "wk 1–8"; nothing for the whole term. */
export function sayWeeksShort(weeks: readonly number[], weekCount: number): string {
  return meetsAllTerm(weeks, weekCount) ? '' : sayWeeksInShort(weeks);
}

/** Everything about a class in one sentence, for those who hear the grid. */
export function sayClass(one: GridClass, weekCount: number): string {
  return [
    `${one.course.id} ${sayComponent(one.section)}`,
    `${fullDay(one.day)} ${sayHours(one.start, one.end)}`,
    one.room,
    joinAnd(one.section.instructors),
    meetsAllTerm(one.weeks, weekCount) ? '' : sayWeeks(one.weeks),
    one.standing?.text ?? '',
  ]
    .filter((part) => part !== '')
    .join(', ');
}

/** Whether weeks run through the whole term; its first and last week may lack the weekday. */
export function meetsAllTerm(weeks: readonly number[], weekCount: number): boolean {
  const first = weeks[0] ?? 0;
  const last = weeks.at(-1) ?? 0;
  return first <= 2 && last >= weekCount - 1 && weeks.length === last - first + 1;
}
