import { useMemo } from 'react';
import type { Ask, NearestWeek, Term, TimeBlock } from '@/api/client';
import { axisFor } from '@/grid/axis';
import { hoursOfBlock } from '@/grid/blocks';
import { classesOf, type GridClass } from '@/grid/classes';
import { daysOf, isDay } from '@/lib/days';
import { placed, type Sections } from '@/domain/useSections';
import type { Walk } from '@/domain/useWalk';
import { openOutlines, otherOutlines, outlinesOf } from './outlines';
import { useFreedStandings } from './useFreedStandings';
import { noClassOn } from './termDates';
import { wording } from '@/wording/workbench/useGridView';

type Options = {
  term: Term;
  ask: Ask;
  /** Hours that are looked at besides those taken out. */
  offered: readonly { block: TimeBlock }[];
  walk: Walk;
  sections: Sections;
  week: number | null;
  byHand: boolean;
  /** What stands faintly where nothing is possible. */
  nearest: NearestWeek | null;
  openCourse: string | null;
  pointed: GridClass | null;
  pointedSection: string | null;
  standings: Readonly<Record<string, string>> | null;
  keep: (course: string, number: string) => void;
};

/** What the grid shows: the classes in view, and where others could be. */
export function useGridView(options: Options) {
  const {
    term,
    ask,
    offered,
    walk,
    sections,
    week,
    byHand,
    nearest,
    openCourse,
    pointed,
    pointedSection,
    standings,
    keep,
  } = options;
  const { inView, answer } = walk;
  const freed = useFreedStandings(ask, pointed);
  const keptNumbers = useMemo(() => ask.wanted.flatMap((wanted) => wanted.keep), [ask.wanted]);
  // Without a timetable what is kept still has a place, so that a conflict can be seen and resolved.
  const numbers = byHand || !inView ? (nearest?.sections ?? keptNumbers) : inView.sections;
  const inGrid = useMemo(() => placed(sections, numbers), [sections, numbers]);
  const classes = useMemo(() => {
    const all = classesOf(inGrid).map((one) => asHeld(near(one, nearest), ask.registered));
    if (week === null) return all;
    return all
      .filter((one) => one.weeks.includes(week) && noClassOn(term, week, one.day) === null)
      .map((one) => ({ ...one, weeks: Array.from({ length: term.weeks }, (_, i) => i + 1) }));
  }, [inGrid, nearest, week, term, ask.registered]);

  const axis = useMemo(() => {
    const all = classesOf([...sections.byNumber.values()]);
    const blocks = [...ask.timeBlocks, ...offered.map((one) => one.block)].flatMap((block) =>
      daysOf(block.days).map((day) => ({ day, ...hoursOfBlock(block) })),
    );
    return axisFor([...all, ...blocks]);
  }, [sections, ask.timeBlocks, offered]);

  const outlines = useMemo(() => {
    const section = pointedSection === null ? undefined : sections.byNumber.get(pointedSection);
    if (section) return outlinesOf(section, standings);
    // Building by hand, the places of the open course stay under the pointer, whatever it crosses.
    const open = byHand
      ? openOutlines(ask, [...sections.byNumber.values()], openCourse, standings, keep)
      : [];
    return open.length > 0 || !pointed ? open : otherOutlines(pointed, freed);
  }, [pointed, freed, pointedSection, sections, standings, byHand, ask, openCourse, keep]);

  const clashes = answer?.clashes.filter((clash) => isDay(clash.day)) ?? [];
  const kept = useMemo(() => new Set(keptNumbers), [keptNumbers]);
  return { axis, classes, inGrid, kept, outlines, clashes };
}

function near(one: GridClass, nearest: NearestWeek | null): GridClass {
  if (!nearest) return one;
  return { ...one, near: nearest.marked.includes(one.section.number) ? 'against' : 'fits' };
}

/** What is held already does not look as if it were only planned. */
function asHeld(one: GridClass, registered: readonly string[]): GridClass {
  return registered.includes(one.section.number)
    ? { ...one, standing: { kind: 'held', text: wording.registered, short: '' } }
    : one;
}
