import { choose } from '@/domain/picks';
import type { PicksEdits } from '@/domain/usePicks';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { Menu, MenuItem } from '@/ui/Menu';
import { wording } from '@/wording/registration/Chooser';

type Props = {
  visit: TermVisit;
  edits: PicksEdits;
  /** Where there is a choice already, another one is not the main thing to do. */
  isQuiet?: boolean;
};

/** Chooses among all that is put by in the term. */
export function Chooser({ visit, edits, isQuiet = false }: Props) {
  const all = visit.sketches.flatMap((sketch) =>
    sketch.shortlist.map((timetable) => ({ sketch, timetable })),
  );
  if (all.length === 0) return null;
  return (
    <Menu
      align="start"
      trigger={
        <Button look={isQuiet ? 'plain' : 'main'}>
          {isQuiet ? wording.chooseAnother : wording.chooseTimetable}
        </Button>
      }
    >
      <div className="max-h-[60vh] overflow-y-auto">
        {all.map(({ sketch, timetable }) => (
          <MenuItem
            key={`${sketch.id} ${timetable.id}`}
            onSelect={() => edits.change((now) => choose(now, sketch.id, timetable))}
          >
            <span>
              {timetable.name}
              {visit.sketches.length > 1 && <span className="block text-11 text-mute">{sketch.name}</span>}
            </span>
          </MenuItem>
        ))}
      </div>
    </Menu>
  );
}
