import { ChevronDown, EyeOff } from 'lucide-react';
import { type DragEvent, type KeyboardEvent, type ReactNode, useState } from 'react';
import type { Ask, Course, WantedCourse } from '@/api/client';
import { type Colour, colourOf, markOf } from '@/grid/classes';
import { sayCount } from '@/lib/count';
import { sayCredits } from '@/sketch/credits';
import {
  addCourse,
  chooseBetween,
  eitherOrOf,
  isRole,
  leaveEitherOr,
  moveCourse,
  removeCourse,
  type Role,
  roles,
  sayRole,
  setRole,
} from '@/sketch/edits';
import { Menu, MenuChoice, MenuItem, MenuLine } from '@/ui/Menu';

type Props = {
  wanted: WantedCourse;
  course: Course | undefined;
  ask: Ask;
  colour: Colour;
  /** How many sections are in play, and other short lines. */
  facts: readonly { text: string; isBad: boolean }[];
  isWithout: boolean;
  isOpen: boolean;
  onOpen: () => void;
  onWithout: (isWithout: boolean) => void;
  change: (edit: (ask: Ask) => Ask) => void;
  children: ReactNode;
};

type Drop = 'before' | 'on' | 'after';

const dragType = 'application/x-hour-grid-course';
const roleKeys: Record<string, Role> = { '1': 'must', '2': 'ifItFits', '3': 'setAside' };

/** One wanted course: its role, where it stands, and its sections when it is open. */
export function WantedRow(props: Props) {
  const { wanted, course, ask, colour, facts, isWithout, isOpen, onOpen, onWithout, change, children } = props;
  const [drop, setDrop] = useState<Drop | null>(null);
  const id = wanted.course;
  const choice = eitherOrOf(ask, id);
  const isAside = (wanted.role === 'setAside' && !choice) || isWithout;
  const others = ask.wanted.filter((other) => other.course !== id && !choice?.courses.includes(other.course));

  const keyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey) return;
    const role = roleKeys[event.key];
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown'))
      change((now) => moveCourse(now, id, event.key === 'ArrowUp' ? -1 : 1));
    else if (event.altKey) return;
    else if (role) change((now) => setRole(leaveEitherOr(now, id), id, role));
    else if (event.key === 'Delete') change((now) => removeCourse(now, id));
    else if (event.key === 'w') onWithout(true);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const placeOf = (event: DragEvent<HTMLElement>): Drop => {
    const box = event.currentTarget.getBoundingClientRect();
    const part = (event.clientY - box.top) / box.height;
    return part < 0.25 ? 'before' : part > 0.75 ? 'after' : 'on';
  };

  const dropped = (event: DragEvent<HTMLElement>) => {
    const other = event.dataTransfer.getData(dragType);
    setDrop(null);
    if (other === '' || other === id) return;
    event.preventDefault();
    const place = placeOf(event);
    const after = ask.wanted[ask.wanted.findIndex((one) => one.course === id) + 1];
    if (place === 'on') change((now) => chooseBetween(now, other, id));
    else if (place === 'before') change((now) => moveCourse(now, other, { before: id }));
    else if (after?.course !== other) change((now) => moveCourse(now, other, { before: after?.course ?? null }));
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
        setDrop(placeOf(event));
      }}
      onDragLeave={() => setDrop(null)}
      onDrop={dropped}
      data-course={id}
      className={`border-b border-hair py-1.5 ${edge}`}
    >
      <div className="flex gap-2.5">
        <span
          className={`flex size-7 shrink-0 cursor-grab items-center justify-center rounded-[3px] text-12 font-strong text-on-course ${isAside ? 'opacity-45' : ''}`}
          style={{ backgroundColor: colourOf(colour) }}
          title="Drag to reorder; drop on another course for one of the two"
          aria-hidden="true"
        >
          {markOf(id)}
        </span>
        <div className="min-w-0 flex-1">
          <div className="flex items-start gap-2">
            <button
              type="button"
              aria-expanded={isOpen}
              aria-keyshortcuts="1 2 3 Delete Alt+ArrowUp Alt+ArrowDown W"
              onClick={onOpen}
              onKeyDown={keyDown}
              onKeyUp={(event) => event.key === 'w' && onWithout(false)}
              onBlur={() => isWithout && onWithout(false)}
              className={`min-w-0 flex-1 text-left leading-snug hover:text-plum ${isAside ? 'text-mute' : ''}`}
            >
              <span className="font-heavy">{id}</span> {course?.title}
            </button>
            <button
              type="button"
              aria-label={`Without ${id} for a moment`}
              title="Without this course for a moment"
              aria-pressed={isWithout}
              onClick={() => onWithout(!isWithout)}
              className="shrink-0 rounded-[3px] p-0.5 text-mute hover:text-ink aria-pressed:bg-ink aria-pressed:text-sheet"
            >
              <EyeOff size={13} aria-hidden="true" />
            </button>
            <Menu
              trigger={
                <button
                  type="button"
                  aria-label={`${id}: ${choice ? 'one of several' : sayRole(wanted.role)}. Change`}
                  className="flex shrink-0 items-center gap-0.5 border-b border-dotted border-mute text-12 font-strong whitespace-nowrap"
                >
                  {choice ? 'Either–or' : sayRole(wanted.role)}
                  <ChevronDown size={12} aria-hidden="true" />
                </button>
              }
            >
              <MenuChoice
                value={choice ? '' : wanted.role}
                choices={roles}
                onChoose={(role) => {
                  if (isRole(role)) change((now) => setRole(leaveEitherOr(now, id), id, role));
                }}
              />
              {others.length > 0 && <MenuLine />}
              {others.map((other) => (
                <MenuItem
                  key={other.course}
                  onSelect={() => change((now) => chooseBetween(addCourse(now, id, 'must'), id, other.course))}
                >
                  Either this or {other.course}
                </MenuItem>
              ))}
              <MenuLine />
              <MenuItem onSelect={() => change((now) => moveCourse(now, id, -1))}>Move up</MenuItem>
              <MenuItem onSelect={() => change((now) => moveCourse(now, id, 1))}>Move down</MenuItem>
              <MenuItem onSelect={() => change((now) => removeCourse(now, id))}>Remove from sketch</MenuItem>
            </Menu>
          </div>
          <div className="flex justify-between gap-2 text-12 text-mute">
            <span>
              {facts.map((fact) => (
                <span key={fact.text} className={`mr-1.5 ${fact.isBad ? 'font-strong text-brick' : ''}`}>
                  {fact.text}
                </span>
              ))}
            </span>
            <span className="shrink-0">{course && sayCredits(course.minCredits, course.maxCredits)}</span>
          </div>
          {children}
        </div>
      </div>
    </li>
  );
}

/** "in 388 of 412 timetables", for a course that may be left out. */
export function sayHeld(held: bigint, timetables: string): string {
  return `in ${sayCount(held)} of ${sayCount(timetables)}`;
}
