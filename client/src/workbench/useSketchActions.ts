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
import { wording } from '@/wording/workbench/useSketchActions';
import { common } from '@/wording/common';

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
    { name: wording.showSections(course), run: () => options.openCourse(course) },
    {
      name: wording.removeFromSketch(course),
      run: () => edits.change((now) => removeCourse(now, course)),
    },
  ]);
  const ofRules = addableRules.map(({ label, start }): Action => ({
    name: wording.addRule(label),
    run: () => edits.change((now) => start(now, options.campus)),
  }));
  const ofWeights = startingPoints.map(({ name, weights }): Action => ({
    name: wording.whatMatters(name),
    run: () => edits.change((now) => setWeights(now, weights)),
  }));
  return [
    { name: wording.findCourseToAdd, ...letter('findCourse'), run: options.goToCourses },
    { name: wording.nextWeekShape, keys: '→', on: ['ArrowRight'], run: () => walk.step(1), isKeyOnly: true },
    {
      name: wording.betterWeekShape,
      keys: '←',
      on: ['ArrowLeft'],
      run: () => walk.step(-1),
      isKeyOnly: true,
    },
    { name: wording.bestWeekShape, keys: 'Home', on: ['Home'], run: () => walk.go(0) },
    { name: wording.lastWeekShapeListed, keys: 'End', on: ['End'], run: () => walk.go(walk.listed - 1) },
    {
      name: wording.goToWeekShape,
      keys: wording.gOrNumber,
      on: [letterKeys.workbench.goToShape, '1', '2', '3', '4', '5', '6', '7', '8', '9'],
      run: () => document.getElementById('jump')?.focus(),
      isTyped: true,
    },
    {
      name: wording.nextLookAlike,
      keys: wording.shiftRight,
      on: ['shift+ArrowRight'],
      run: () => stepAlike(1),
      isKeyOnly: true,
    },
    {
      name: wording.lookAlikeBefore,
      keys: wording.shiftLeft,
      on: ['shift+ArrowLeft'],
      run: () => stepAlike(-1),
      isKeyOnly: true,
    },
    { name: wording.keepClassInFocus, ...letter('keep'), run: () => mark('keep'), isKeyOnly: true },
    {
      name: wording.ruleOutClassInFocus,
      ...letter('ruleOut'),
      run: () => mark('ruleOut'),
      isKeyOnly: true,
    },
    {
      name: wording.putTimetableInView,
      ...letter('putBy'),
      run: options.shortlist.putBy,
    },
    {
      name: wording.addTimetableInView,
      ...letter('putInLineUp'),
      run: options.shortlist.putInLineUp,
    },
    { name: wording.showShortlist, keys: wording.shiftS, on: ['shift+s'], run: options.shortlist.open },
    { name: common.undo, keys: wording.ctrlZ, run: edits.undo },
    { name: wording.redo, keys: wording.ctrlShiftZ, run: edits.redo },
    { name: wording.showAllWeekShapes, ...letter('showAllShapes'), run: () => show('sheet') },
    { name: wording.whatTellsLookAlikesApart, run: () => show('alikes') },
    { name: wording.takeHoursOut, ...letter('takeHoursOut'), run: options.newBlock },
    {
      name: drawing === 'cannot' ? wording.drawRatherNotHours : wording.drawCantHoursFromNow,
      ...letter('switchStrength'),
      run: () => setDrawing(drawing === 'cannot' ? 'ratherNot' : 'cannot'),
    },
    {
      name: byHand ? wording.showWholeTimetablesAgain : wording.buildWeekByHand,
      ...letter('buildByHand'),
      run: () => setByHand(!byHand),
    },
    { name: wording.nextWeekOfTerm, ...letter('nextWeek'), run: () => stepWeek(1) },
    { name: wording.weekOfTermBefore, ...letter('weekBefore'), run: () => stepWeek(-1) },
    { name: wording.allWeeksAtOnce, run: () => setWeek(null) },
    { name: wording.printTimetableInView, ...letter('print'), run: () => window.print() },
    {
      name: wording.allCanBeDone,
      keys: wording.ctrlK,
      on: ['ctrl+k'],
      run: () => show('palette'),
      isKeyOnly: true,
    },
    { name: wording.showKeys, ...letter('showKeys'), run: () => show('keys') },
    { name: wording.sketchesNewCopyRenameCompare, run: options.goToSketches },
    ...ofCourses,
    ...ofRules,
    ...ofWeights,
  ];
}
