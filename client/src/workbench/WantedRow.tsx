import { EyeOff } from 'lucide-react';
import { type DragEvent, type KeyboardEvent, memo, useState } from 'react';
import type { Ask, Course, WantedCourse } from '@/api/client';
import { type Colour, colourOf, markOf } from '@/grid/classes';
import { sayCount } from '@/wording/counts';
import { sayCredits } from '@/domain/credits';
import {
  chooseBetween,
  eitherOrOf,
  leaveEitherOr,
  moveCourse,
  removeCourse,
  type Role,
  setRole,
  setTake,
} from '@/domain/edits';
import { sayLimits } from '@/domain/limits';
import { MayTakeLine } from '@/domain/MayTakeLine';
import { useCampusNames } from '@/domain/useCampusNames';
import { CourseSections } from './CourseSections';
import { Take } from './Take';
import type { Details } from './useDetails';
import { WantedMenu } from './WantedMenu';
import { wording } from '@/wording/workbench/WantedRow';

type Props = {
  wanted: WantedCourse;
  course: Course | undefined;
  ask: Ask;
  colour: Colour;
  /** How many sections it has, and how many are in play; null until it is known. */
  offered: number | null;
  inPlay: number | null;
  /** In how many timetables it is, where it may be left out, and of how many; null where that is not told. */
  held: string | null;
  timetables: string;
  isWithout: boolean;
  isOpen: boolean;
  /** What the sections of the open course show; null for one that is not open. */
  details: Details | null;
  onOpen: (course: string | null) => void;
  onWithout: (course: string | null) => void;
  onPointSection: (number: string | null) => void;
  change: (edit: (ask: Ask) => Ask) => void;
};

type Drop = 'before' | 'on' | 'after';

const dragType = 'application/x-hour-grid-course';
const roleKeys: Record<string, Role> = { '1': 'must', '2': 'ifItFits', '3': 'setAside' };

/** One wanted course: its role, where it stands, and its sections when it is open. Drawn anew when its own figures change. */
export const WantedRow = memo(function WantedRow(props: Props) {
  const {
    wanted,
    course,
    ask,
    colour,
    isWithout,
    isOpen,
    details,
    onOpen,
    onWithout,
    onPointSection,
    change,
  } = props;
  const [drop, setDrop] = useState<Drop | null>(null);
  const id = wanted.course;
  const choice = eitherOrOf(ask, id);
  const isAside = (wanted.role === 'setAside' && !choice) || isWithout;
  const campusName = useCampusNames();
  const limits = sayLimits(ask, wanted, course, campusName).join(' · ');

  const keyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey) return;
    const role = roleKeys[event.key];
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown'))
      change((now) => moveCourse(now, id, event.key === 'ArrowUp' ? -1 : 1));
    else if (event.altKey) return;
    else if (role) change((now) => setRole(leaveEitherOr(now, id), id, role));
    else if (event.key === 'Delete') change((now) => removeCourse(now, id));
    else if (event.key === 'w') onWithout(id);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const dropOf = (event: DragEvent<HTMLElement>): Drop => {
    const box = event.currentTarget.getBoundingClientRect();
    const part = (event.clientY - box.top) / box.height;
    return part < 0.25 ? 'before' : part > 0.75 ? 'after' : 'on';
  };

  const dropped = (event: DragEvent<HTMLElement>) => {
    const other = event.dataTransfer.getData(dragType);
    setDrop(null);
    if (other === '' || other === id) return;
    event.preventDefault();
    const where = dropOf(event);
    const after = ask.wanted[ask.wanted.findIndex((one) => one.course === id) + 1];
    if (where === 'on') change((now) => chooseBetween(now, other, id));
    else if (where === 'before') change((now) => moveCourse(now, other, { before: id }));
    else if (after?.course !== other)
      change((now) => moveCourse(now, other, { before: after?.course ?? null }));
  };

  const edge =
    drop === 'before'
      ? 'shadow-[0_-2px_0_var(--plum)]'
      : drop === 'after'
        ? 'shadow-[0_2px_0_var(--plum)]'
        : drop === 'on'
          ? 'bg-plum-wash'
          : '';

  return (
    <li
      draggable
      onDragStart={(event) => {
        event.dataTransfer.setData(dragType, id);
        event.dataTransfer.effectAllowed = 'move';
      }}
      onDragOver={(event) => {
        if (!event.dataTransfer.types.includes(dragType)) return;
        event.preventDefault();
        setDrop(dropOf(event));
      }}
      onDragLeave={() => setDrop(null)}
      onDrop={dropped}
      data-course={id}
      className={`border-b border-hair py-1 ${edge}`}
    >
      <div className="flex gap-2">
        <span
          className={`mt-0.5 flex size-6 shrink-0 cursor-grab items-center justify-center rounded-[3px] text-12 font-strong text-on-course ${isAside ? 'opacity-45' : ''}`}
          style={{ backgroundColor: colourOf(colour) }}
          title={wording.dragToReorderDrop}
          aria-hidden="true"
        >
          {markOf(id)}
        </span>
        <div className="min-w-0 flex-1">
          <div className="flex items-start gap-1">
            <button
              type="button"
              title={course && `${id} ${course.title}`}
              aria-expanded={isOpen}
              aria-keyshortcuts="1 2 3 Delete Alt+ArrowUp Alt+ArrowDown W"
              onClick={() => onOpen(isOpen ? null : id)}
              onKeyDown={keyDown}
              onKeyUp={(event) => event.key === 'w' && onWithout(null)}
              onBlur={() => isWithout && onWithout(null)}
              className={`min-w-0 flex-1 truncate text-left leading-snug hover:text-plum focus-visible:whitespace-normal ${isAside ? 'text-mute' : ''}`}
            >
              <span className="font-heavy">{id}</span> {course?.title}
            </button>
            <button
              type="button"
              aria-label={wording.withoutForMoment(id)}
              title={wording.withoutCourseForMoment}
              aria-pressed={isWithout}
              onClick={() => onWithout(isWithout ? null : id)}
              className="-my-0.5 flex size-6 shrink-0 items-center justify-center rounded-[3px] text-mute hover:text-ink aria-pressed:bg-ink aria-pressed:text-sheet"
            >
              <EyeOff size={13} aria-hidden="true" />
            </button>
            <WantedMenu wanted={wanted} ask={ask} change={change} />
          </div>
          <div className="-mt-px flex justify-between gap-2 text-12 leading-tight text-mute">
            <span className="min-w-0 truncate">
              <WantedFacts {...props} isAside={isAside} />
            </span>
            <span className="shrink-0">{course && sayCredits(course.minCredits, course.maxCredits)}</span>
          </div>
          {limits !== '' && (
            <div title={limits} className="truncate text-12 leading-tight text-mute">
              {limits}
            </div>
          )}
          {course && !isAside && <MayTakeLine term={ask.term} course={id} ask={ask} isWhole={isOpen} />}
          {choice?.courses[0] === id && choice.label === '' && (
            <Take choice={choice} onChange={(take) => change((now) => setTake(now, id, take))} />
          )}
          {details && course && (
            <CourseSections
              course={course}
              wanted={wanted}
              ask={ask}
              standings={details.standings}
              timetables={details.timetables}
              change={change}
              onPointSection={onPointSection}
            />
          )}
        </div>
      </div>
    </li>
  );
});

type FactsProps = Pick<Props, 'offered' | 'inPlay' | 'held' | 'timetables'> & { isAside: boolean };

function WantedFacts({ offered, inPlay, held, timetables, isAside }: FactsProps) {
  if (offered === null || inPlay === null) return null;
  if (isAside) return <span className="mr-1.5">{wording.sectionsNotTaken(offered)}</span>;
  const bad = 'font-strong text-brick';
  return (
    <>
      {held !== null && (
        <span className={`mr-1.5 ${held === '0' ? bad : ''}`}>
          {wording.inOf(sayCount(held), sayCount(timetables))}
        </span>
      )}
      <span className={`mr-1.5 ${inPlay === 0 ? bad : ''}`}>{wording.ofSectionsInPlay(inPlay, offered)}</span>
    </>
  );
}
