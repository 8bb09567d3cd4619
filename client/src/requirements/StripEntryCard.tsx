import type { KeyboardEvent } from 'react';
import type { Plan, StripEntry, StripTerm } from '@/api/client';
import { addCourse, wantedOf } from '@/domain/edits';
import type { TermVisit } from '@/domain/useTermVisit';
import { Menu, MenuItem, MenuLine } from '@/ui/Menu';
import { dragType, moveTo, takeOut } from './planEdits';
import type { DoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/StripEntryCard';

type Props = {
  entry: StripEntry;
  term: StripTerm;
  ahead: readonly StripTerm[];
  visit: TermVisit;
  plan: Plan;
  here: DoneHere;
};

/** What stands in a term: what the record has is as it is; what is planned can be moved and taken out. */
export function StripEntryCard({ entry, term, ahead, visit, here }: Props) {
  const name = entry.course ?? entry.requirement ?? '';
  const { id } = entry;
  if (id === null)
    return (
      <li className="rounded-[3px] border border-transparent bg-hair/60 px-1.5 py-0.5 text-12 break-words">
        {name} <span className="text-mute">· {wording.status[entry.status] ?? entry.status}</span>
      </li>
    );
  const at = ahead.findIndex((one) => one.id === term.id);
  const move = (to: StripTerm | undefined) =>
    to && here.changePlan(wording.moved(name, to.name), (now) => moveTo(now, id, to.id));
  const remove = () => here.changePlan(wording.takenOut(name, term.name), (now) => takeOut(now, id));
  const keyDown = (event: KeyboardEvent) => {
    if (event.altKey && event.key === 'ArrowLeft') move(ahead[at - 1]);
    else if (event.altKey && event.key === 'ArrowRight') move(ahead[at + 1]);
    else if (event.key === 'Delete') remove();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const isWrong = entry.findings.length > 0;
  const { course } = entry;
  const isInSketch = course !== null && wantedOf(visit.sketch.ask, course) !== undefined;
  return (
    <li
      draggable
      onDragStart={(event) => {
        event.dataTransfer.setData(dragType, id);
        event.dataTransfer.effectAllowed = 'move';
      }}
    >
      <Menu
        align="start"
        opensOnClick
        trigger={
          <button
            type="button"
            aria-keyshortcuts="Alt+ArrowLeft Alt+ArrowRight Delete"
            onKeyDown={keyDown}
            className={`w-full cursor-grab rounded-[3px] border bg-sheet px-1.5 py-0.5 text-left text-12 break-words hover:border-ink ${
              isWrong ? 'border-brick' : 'border-rule'
            }`}
          >
            <span className="font-strong">{entry.requirement === null ? name : wording.oneOf(name)}</span>
            {isWrong && <span className="text-brick"> {entry.findings.join(' ')}</span>}
          </button>
        }
      >
        {ahead
          .filter((one) => one.id !== term.id)
          .map((one) => (
            <MenuItem key={one.id} onSelect={() => move(one)}>
              {wording.moveTo(one.name)}
            </MenuItem>
          ))}
        <MenuLine />
        {term.number === 1 && course !== null && !isInSketch && (
          <MenuItem
            onSelect={() =>
              here.changeSketch(wording.inSketchNow(name, visit.sketch.name), (now) => addCourse(now, course))
            }
          >
            {wording.putIntoSketch(visit.sketch.name)}
          </MenuItem>
        )}
        <MenuItem onSelect={remove}>{wording.takeOut}</MenuItem>
      </Menu>
    </li>
  );
}
