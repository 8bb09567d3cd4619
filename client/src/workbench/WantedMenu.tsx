import { ChevronDown } from 'lucide-react';
import type { Ask, WantedCourse } from '@/api/client';
import {
  addCourse,
  chooseBetween,
  eitherOrOf,
  isRole,
  leaveEitherOr,
  moveCourse,
  removeCourse,
  roles,
  sayRole,
  setRole,
} from '@/domain/edits';
import { Menu, MenuChoice, MenuItem, MenuLine } from '@/ui/Menu';
import { wording } from '@/wording/workbench/WantedMenu';

type Props = { wanted: WantedCourse; ask: Ask; change: (edit: (ask: Ask) => Ask) => void };

/** The role of a wanted course, and what else can be done with it. */
export function WantedMenu({ wanted, ask, change }: Props) {
  const id = wanted.course;
  const choice = eitherOrOf(ask, id);
  const others = ask.wanted.filter((other) => other.course !== id && !choice?.courses.includes(other.course));
  return (
    <Menu
      trigger={
        <button
          type="button"
          aria-label={wording.idPartChange(id, choice ? wording.oneOfSeveral : sayRole(wanted.role))}
          className="-my-0.5 flex min-h-6 shrink-0 items-center gap-0.5 text-12 font-strong whitespace-nowrap underline decoration-mute decoration-dotted underline-offset-3"
        >
          {choice ? wording.eitherOr : sayRole(wanted.role)}
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
          {wording.eitherThisOr(other.course)}
        </MenuItem>
      ))}
      <MenuLine />
      <MenuItem onSelect={() => change((now) => moveCourse(now, id, -1))}>{wording.moveUp}</MenuItem>
      <MenuItem onSelect={() => change((now) => moveCourse(now, id, 1))}>{wording.moveDown}</MenuItem>
      <MenuItem onSelect={() => change((now) => removeCourse(now, id))}>{wording.removeFromSketch}</MenuItem>
    </Menu>
  );
}
