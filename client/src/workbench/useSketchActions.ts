import type { Ask } from '@/api/client';
import type { GridClass } from '@/grid/classes';
import { letterKeys } from '@/lib/letterKeys';
import {
  keepInstead,
  leaveEitherOr,
  markSection,
  removeCourse,
  roles,
  setRole,
  setWeights,
} from '@/domain/edits';
import type { Edits } from '@/domain/useSketchEdits';
import type { Walk } from '@/domain/useWalk';
import { addableRules } from './addableRules';
import { startingPoints } from './startingPoints';
import type { GridState } from './useGridState';
import type { Action } from './useShortcuts';
import type { ShortlistActions } from './useShortlist';

/** A key of one character, as it is listened for and as the help shows it. */
function letter(name: keyof typeof letterKeys.workbench): Pick<Action, 'keys' | 'on'> {
  const key = letterKeys.workbench[name];
  return { keys: key.toUpperCase(), on: [key] };
}

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
  gridState: GridState;
  weekCount: number;
  show: (what: 'keys' | 'palette' | 'sheet' | 'alikes') => void;
  newBlock: () => void;
  shortlist: ShortlistActions;
};

/** Everything that can be done on the Workbench, for the keys and for the palette. */
export function useSketchActions(options: Options): Action[] {
  const { walk, edits, pointed, weekCount, show } = options;
  const { week, setWeek, byHand, setByHand, drawing, setDrawing } = options.gridState;
  const alikes = Number(walk.inView?.alike ?? 1);
  const stepWeek = (by: 1 | -1) => {
    const next = (week ?? (by === 1 ? 0 : weekCount + 1)) + by;
    setWeek(next < 1 || next > weekCount ? null : next);
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
    { name: 'Find a course to add', ...letter('findCourse'), run: options.goToCourses },
    { name: 'Next week shape', keys: '→', on: ['ArrowRight'], run: () => walk.step(1), isKeyOnly: true },
    { name: 'Better week shape', keys: '←', on: ['ArrowLeft'], run: () => walk.step(-1), isKeyOnly: true },
    { name: 'Best week shape', keys: 'Home', on: ['Home'], run: () => walk.go(0) },
    { name: 'Last week shape listed', keys: 'End', on: ['End'], run: () => walk.go(walk.listed - 1) },
    {
      name: 'Go to a week shape by its number',
      keys: 'G, or a number',
      on: [letterKeys.workbench.goToShape, '1', '2', '3', '4', '5', '6', '7', '8', '9'],
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
    { name: 'Keep the class in focus', ...letter('keep'), run: () => mark('keep'), isKeyOnly: true },
    {
      name: 'Rule out the class in focus',
      ...letter('ruleOut'),
      run: () => mark('ruleOut'),
      isKeyOnly: true,
    },
    {
      name: 'Put the timetable in view on the shortlist',
      ...letter('putBy'),
      run: options.shortlist.putBy,
    },
    {
      name: 'Add the timetable in view to the line-up',
      ...letter('putInLineUp'),
      run: options.shortlist.putInLineUp,
    },
    { name: 'Show the shortlist', keys: 'Shift + S', on: ['shift+s'], run: options.shortlist.open },
    { name: 'Undo', keys: 'Ctrl + Z', run: edits.undo },
    { name: 'Redo', keys: 'Ctrl + Shift + Z', run: edits.redo },
    { name: 'Show all week shapes', ...letter('showAllShapes'), run: () => show('sheet') },
    { name: 'What tells look-alikes apart', run: () => show('alikes') },
    { name: 'Take hours out', ...letter('takeHoursOut'), run: options.newBlock },
    {
      name: drawing === 'cannot' ? 'Draw rather-not hours from now on' : 'Draw can’t hours from now on',
      ...letter('switchStrength'),
      run: () => setDrawing(drawing === 'cannot' ? 'ratherNot' : 'cannot'),
    },
    {
      name: byHand ? 'Show whole timetables again' : 'Build the week by hand',
      ...letter('buildByHand'),
      run: () => setByHand(!byHand),
    },
    { name: 'Next week of the term', ...letter('nextWeek'), run: () => stepWeek(1) },
    { name: 'Week of the term before', ...letter('weekBefore'), run: () => stepWeek(-1) },
    { name: 'All weeks at once', run: () => setWeek(null) },
    { name: 'Print the timetable in view', ...letter('print'), run: () => window.print() },
    {
      name: 'All that can be done',
      keys: 'Ctrl + K',
      on: ['ctrl+k'],
      run: () => show('palette'),
      isKeyOnly: true,
    },
    { name: 'Show the keys', ...letter('showKeys'), run: () => show('keys') },
    { name: 'Sketches: new, copy, rename, compare, delete', run: options.goToSketches },
    ...ofCourses,
    ...ofRules,
    ...ofWeights,
  ];
}
