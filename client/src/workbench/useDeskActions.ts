import type { Ask } from '@/api/client';
import type { GridClass } from '@/grid/classes';
import {
  keepInstead,
  leaveEitherOr,
  markSection,
  removeCourse,
  roles,
  setRole,
  setWeights,
} from '@/sketch/edits';
import type { Edits } from '@/sketch/useSketchEdits';
import type { Walk } from '@/sketch/useWalk';
import { addableRules } from './addableRules';
import { startingPoints } from './startingPoints';
import type { Action } from './useShortcuts';
import type { ShortlistDesk } from './useShortlist';

type Options = {
  ask: Ask;
  /** A campus to begin a rule about campuses with. */
  campus: string;
  openCourse: (course: string) => void;
  goToSketches: () => void;
  walk: Walk;
  edits: Edits;
  pointed: GridClass | null;
  goToCourses: () => void;
  byHand: boolean;
  setByHand: (byHand: boolean) => void;
  week: number | null;
  setWeek: (week: number | null) => void;
  weekCount: number;
  drawing: string;
  setDrawing: (strength: string) => void;
  show: (what: 'keys' | 'palette' | 'sheet' | 'alikes') => void;
  newBlock: () => void;
  shortlist: ShortlistDesk;
};

/** Everything that can be done on the Workbench, for the keys and for the palette. */
export function useDeskActions(options: Options): Action[] {
  const { walk, edits, pointed, byHand, week, weekCount, drawing, show } = options;
  const alikes = Number(walk.inView?.alike ?? 1);
  const stepWeek = (by: 1 | -1) => {
    const next = (week ?? (by === 1 ? 0 : weekCount + 1)) + by;
    options.setWeek(next < 1 || next > weekCount ? null : next);
  };
  const stepAlike = (by: 1 | -1) => {
    const next = walk.alike + by;
    // As many as the list of look-alikes has.
    if (next >= 0 && next < Math.min(alikes, 100)) walk.goAlike(next);
  };
  const mark = (how: 'keep' | 'ruleOut') => {
    if (!pointed) return;
    const { course, section } = pointed;
    const ofComponent = course.sections
      .filter((other) => other.component === section.component)
      .map((other) => other.number);
    edits.change((now) =>
      how === 'keep'
        ? keepInstead(now, course.id, section.number, ofComponent)
        : markSection(now, course.id, section.number, 'ruleOut'),
    );
  };
  const { ask } = options;
  const ofCourses = ask.wanted.flatMap(({ course }): Action[] => [
    ...roles.map(({ value, label }) => ({
      name: `${course}: ${label}`,
      run: () => edits.change((now) => setRole(leaveEitherOr(now, course), course, value)),
    })),
    { name: `${course}: show its sections`, run: () => options.openCourse(course) },
    {
      name: `${course}: remove from the sketch`,
      run: () => edits.change((now) => removeCourse(now, course)),
    },
  ]);
  const ofRules = addableRules.map(({ label, start }): Action => ({
    name: `Add a rule: ${label}`,
    run: () => edits.change((now) => start(now, options.campus)),
  }));
  const ofWeights = startingPoints.map(({ name, weights }): Action => ({
    name: `What matters: ${name}`,
    run: () => edits.change((now) => setWeights(now, weights)),
  }));
  return [
    { name: 'Find a course to add', keys: '/', on: ['/'], run: options.goToCourses },
    { name: 'Next week shape', keys: '→', on: ['ArrowRight'], run: () => walk.step(1), isKeyOnly: true },
    { name: 'Better week shape', keys: '←', on: ['ArrowLeft'], run: () => walk.step(-1), isKeyOnly: true },
    { name: 'Best week shape', keys: 'Home', on: ['Home'], run: () => walk.go(0) },
    { name: 'Last week shape listed', keys: 'End', on: ['End'], run: () => walk.go(walk.listed - 1) },
    {
      name: 'Go to a week shape by its number',
      keys: 'G, or a number',
      on: ['g', '1', '2', '3', '4', '5', '6', '7', '8', '9'],
      run: () => document.getElementById('jump')?.focus(),
      isTyped: true,
    },
    {
      name: 'Next look-alike',
      keys: 'Shift + →',
      on: ['shift+ArrowRight'],
      run: () => stepAlike(1),
      isKeyOnly: true,
    },
    {
      name: 'Look-alike before',
      keys: 'Shift + ←',
      on: ['shift+ArrowLeft'],
      run: () => stepAlike(-1),
      isKeyOnly: true,
    },
    { name: 'Keep the class in focus', keys: 'K', on: ['k'], run: () => mark('keep'), isKeyOnly: true },
    {
      name: 'Rule out the class in focus',
      keys: 'X',
      on: ['x'],
      run: () => mark('ruleOut'),
      isKeyOnly: true,
    },
    {
      name: 'Put the timetable in view on the shortlist',
      keys: 'S',
      on: ['s'],
      run: options.shortlist.putBy,
    },
    {
      name: 'Add the timetable in view to the line-up',
      keys: 'L',
      on: ['l'],
      run: options.shortlist.putInLineUp,
    },
    { name: 'Show the shortlist', keys: 'Shift + S', on: ['shift+s'], run: options.shortlist.open },
    { name: 'Undo', keys: 'Ctrl + Z', run: edits.undo },
    { name: 'Redo', keys: 'Ctrl + Shift + Z', run: edits.redo },
    { name: 'Show all week shapes', keys: 'A', on: ['a'], run: () => show('sheet') },
    { name: 'What tells look-alikes apart', run: () => show('alikes') },
    { name: 'Take hours out', keys: 'B', on: ['b'], run: options.newBlock },
    {
      name: drawing === 'cannot' ? 'Draw rather-not hours from now on' : 'Draw can’t hours from now on',
      keys: 'D',
      on: ['d'],
      run: () => options.setDrawing(drawing === 'cannot' ? 'ratherNot' : 'cannot'),
    },
    {
      name: byHand ? 'Show whole timetables again' : 'Build the week by hand',
      keys: 'H',
      on: ['h'],
      run: () => options.setByHand(!byHand),
    },
    { name: 'Next week of the term', keys: ']', on: [']'], run: () => stepWeek(1) },
    { name: 'Week of the term before', keys: '[', on: ['['], run: () => stepWeek(-1) },
    { name: 'All weeks at once', run: () => options.setWeek(null) },
    { name: 'Print the timetable in view', keys: 'P', on: ['p'], run: () => window.print() },
    {
      name: 'All that can be done',
      keys: 'Ctrl + K',
      on: ['ctrl+k'],
      run: () => show('palette'),
      isKeyOnly: true,
    },
    { name: 'Show the keys', keys: '?', on: ['?'], run: () => show('keys') },
    { name: 'Sketches: new, copy, rename, compare, delete', run: options.goToSketches },
    ...ofCourses,
    ...ofRules,
    ...ofWeights,
  ];
}
