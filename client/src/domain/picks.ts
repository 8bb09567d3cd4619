import type { Choice, LineUpEntry, Picks, PutBy, SeenSection, Sketch, WhenFull } from '@/api/client';

/** The most timetables in a line-up. */
export const mostInLineUp = 8;

const isSame = (one: LineUpEntry, other: LineUpEntry) =>
  one.sketch === other.sketch && one.timetable === other.timetable;

export function isInLineUp(picks: Picks, entry: LineUpEntry): boolean {
  return picks.lineUp.some((one) => isSame(one, entry));
}

/** A timetable of the line-up, with the sketch from whose shortlist it comes. */
export type Lane = { entry: LineUpEntry; sketch: Sketch; timetable: PutBy; letter: string };

/** The timetables of the line-up in their order; those whose sketch or timetable is gone are left out. */
export function lanesOf(picks: Picks, sketches: readonly Sketch[]): Lane[] {
  return picks.lineUp
    .flatMap((entry) => {
      const sketch = sketches.find((one) => one.id === entry.sketch);
      const timetable = sketch?.shortlist.find((one) => one.id === entry.timetable);
      return sketch && timetable ? [{ entry, sketch, timetable }] : [];
    })
    .map((lane, i) => ({ ...lane, letter: 'ABCDEFGH'[i]! }));
}

// Changes to what is picked, each giving it anew.

/** In the line-up, at its end. What is there and seen no more makes room for it. */
export function lineUp(picks: Picks, entry: LineUpEntry, shown: readonly LineUpEntry[]): Picks {
  if (isInLineUp(picks, entry)) return picks;
  const kept =
    picks.lineUp.length < mostInLineUp
      ? picks.lineUp
      : picks.lineUp.filter((one) => shown.some((other) => isSame(one, other)));
  return kept.length >= mostInLineUp ? picks : { ...picks, lineUp: [...kept, entry] };
}

export function takeOut(picks: Picks, entry: LineUpEntry): Picks {
  return {
    ...picks,
    lineUp: picks.lineUp.filter((one) => !isSame(one, entry)),
    baseline: picks.baseline && isSame(picks.baseline, entry) ? null : picks.baseline,
  };
}

/** One entry of the line-up put where another stands. */
export function moveLane(picks: Picks, entry: LineUpEntry, before: LineUpEntry): Picks {
  const from = picks.lineUp.findIndex((one) => isSame(one, entry));
  const to = picks.lineUp.findIndex((one) => isSame(one, before));
  if (from < 0 || to < 0) return picks;
  return { ...picks, lineUp: picks.lineUp.toSpliced(from, 1).toSpliced(to, 0, picks.lineUp[from]!) };
}

/** The lane that the others are held against; the same one again, and none is. */
export function setBaseline(picks: Picks, entry: LineUpEntry): Picks {
  const isBaseline = picks.baseline !== null && isSame(picks.baseline, entry);
  return { ...picks, baseline: isBaseline ? null : entry };
}

/** The choice. What was prepared for another one goes with it. */
export function choose(picks: Picks, sketch: string, timetable: PutBy): Picks {
  return { ...picks, choice: { sketch, timetable, fallbacks: [], second: null, whenFull: [] } };
}

export function dropChoice(picks: Picks): Picks {
  return { ...picks, choice: null };
}

const changeChoice = (picks: Picks, change: (choice: Choice) => Choice): Picks =>
  picks.choice ? { ...picks, choice: change(picks.choice) } : picks;

/** What to take if a section fills; null for nothing prepared. */
export function prepare(picks: Picks, section: string, instead: SeenSection[] | null): Picks {
  return changeChoice(picks, (choice) => ({
    ...choice,
    fallbacks: [
      ...choice.fallbacks.filter((one) => one.section !== section),
      ...(instead ? [{ section, instead }] : []),
    ],
  }));
}

/** What to do where a course is full when it is to be registered. */
export function decideWhenFull(picks: Picks, course: string, whenFull: WhenFull): Picks {
  return changeChoice(picks, (choice) => ({
    ...choice,
    whenFull: [
      ...choice.whenFull.filter((one) => one.course !== course),
      ...(whenFull === 'leave' ? [] : [{ course, whenFull }]),
    ],
  }));
}

/** A whole second timetable behind the choice; null for none. */
export function setSecond(picks: Picks, second: PutBy | null): Picks {
  return changeChoice(picks, (choice) => ({ ...choice, second }));
}
