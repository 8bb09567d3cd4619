import type { Choice, LineUpPlace, Picks, PutBy, SeenSection, Sketch } from '@/api/client';

/** The most timetables in a line-up. */
export const mostInLineUp = 8;

const isSame = (one: LineUpPlace, other: LineUpPlace) =>
  one.sketch === other.sketch && one.timetable === other.timetable;

export function isInLineUp(picks: Picks, place: LineUpPlace): boolean {
  return picks.lineUp.some((one) => isSame(one, place));
}

/** A timetable of the line-up, with the sketch from whose shortlist it comes. */
export type Lane = { place: LineUpPlace; sketch: Sketch; timetable: PutBy; letter: string };

/** The timetables of the line-up in their order; those whose sketch or place on a shortlist is gone are left out. */
export function lanesOf(picks: Picks, sketches: readonly Sketch[]): Lane[] {
  return picks.lineUp
    .flatMap((place) => {
      const sketch = sketches.find((one) => one.id === place.sketch);
      const timetable = sketch?.shortlist.find((one) => one.id === place.timetable);
      return sketch && timetable ? [{ place, sketch, timetable }] : [];
    })
    .map((lane, i) => ({ ...lane, letter: 'ABCDEFGH'[i]! }));
}

// Changes to what is picked, each giving it anew.

/** In the line-up, at its end. What is there and seen no more makes room for it. */
export function lineUp(picks: Picks, place: LineUpPlace, shown: readonly LineUpPlace[]): Picks {
  if (isInLineUp(picks, place)) return picks;
  const kept =
    picks.lineUp.length < mostInLineUp
      ? picks.lineUp
      : picks.lineUp.filter((one) => shown.some((other) => isSame(one, other)));
  return kept.length >= mostInLineUp ? picks : { ...picks, lineUp: [...kept, place] };
}

export function takeOut(picks: Picks, place: LineUpPlace): Picks {
  return {
    ...picks,
    lineUp: picks.lineUp.filter((one) => !isSame(one, place)),
    baseline: picks.baseline && isSame(picks.baseline, place) ? null : picks.baseline,
  };
}

/** One place of the line-up put where another stands. */
export function moveLane(picks: Picks, place: LineUpPlace, before: LineUpPlace): Picks {
  const from = picks.lineUp.findIndex((one) => isSame(one, place));
  const to = picks.lineUp.findIndex((one) => isSame(one, before));
  if (from < 0 || to < 0) return picks;
  return { ...picks, lineUp: picks.lineUp.toSpliced(from, 1).toSpliced(to, 0, picks.lineUp[from]!) };
}

/** The lane that the others are held against; the same one again, and none is. */
export function setBaseline(picks: Picks, place: LineUpPlace): Picks {
  const isBaseline = picks.baseline !== null && isSame(picks.baseline, place);
  return { ...picks, baseline: isBaseline ? null : place };
}

/** The choice. What was prepared for another one goes with it. */
export function choose(picks: Picks, sketch: string, timetable: PutBy): Picks {
  return { ...picks, choice: { sketch, timetable, fallbacks: [], second: null } };
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

/** A whole second timetable behind the choice; null for none. */
export function setSecond(picks: Picks, second: PutBy | null): Picks {
  return changeChoice(picks, (choice) => ({ ...choice, second }));
}
