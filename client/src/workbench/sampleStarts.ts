import type { Ask, TimeBlock } from '@/api/client';
import { newBlock } from '@/grid/blocks';
import { addCourse, type Role, replaceBlock, setLimits } from '@/domain/edits';
import { wording } from '@/wording/workbench/sampleStarts';

/** A sketch to begin with, out of the sample world. */
export type SampleStart = { name: string; courses: string; start: (ask: Ask) => Ask };

/** The catalogue whose courses these are. */
const institution = 'Saltmere University';
const term = '2027SP';

const wanting =
  (...wanted: [course: string, role?: Role][]) =>
  (ask: Ask) =>
    wanted.reduce((now, [course, role]) => addCourse(now, course, role), ask);

const boatyard: TimeBlock = newBlock(
  ['wed'],
  { start: 13 * 60, end: 17 * 60 },
  wording.boatyardShift,
  'cannot',
);

const starts: readonly SampleStart[] = [
  {
    name: wording.firstYearUndecided,
    courses: 'WRT 101, ACO 120, LOG 118, MTH 120',
    start: wanting(['WRT 101'], ['ACO 120'], ['LOG 118'], ['MTH 120']),
  },
  {
    name: wording.thirdYearCoastalScience,
    courses: wording.tid210MAR105CAR,
    start: (ask) =>
      replaceBlock(
        wanting(['TID 210'], ['MAR 105'], ['CAR 305'], ['LOG 118'], ['ROB 101', 'ifItFits'])(ask),
        null,
        boatyard,
      ),
  },
  {
    name: wording.glassOnThreeDays,
    courses: 'GLZ 233, GLZ 234, WRT 101, ROB 101',
    start: (ask) =>
      setLimits(wanting(['GLZ 233'], ['GLZ 234'], ['WRT 101'], ['ROB 101'])(ask), { maxDays: 3 }),
  },
];

/** Sketches to begin with, where the catalogue is that of the sample world. */
export function sampleStartsOf(catalogue: string, termId: string): readonly SampleStart[] {
  return catalogue === institution && termId === term ? starts : [];
}
