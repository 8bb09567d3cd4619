import type { Sketch } from '@/api/client';
import { type Lane, lineUp, mostInLineUp } from '@/domain/picks';
import type { PicksEdits } from '@/domain/usePicks';
import { Button } from '@/ui/Button';
import { Menu, MenuItem } from '@/ui/Menu';
import { wording } from '@/wording/lineup/AddLane';

type Props = { sketches: readonly Sketch[]; lanes: readonly Lane[]; edits: PicksEdits };

/** Adds a timetable from any shortlist of the term. */
export function AddLane({ sketches, lanes, edits }: Props) {
  const addable = sketches.flatMap((sketch) =>
    sketch.shortlist
      .map((timetable) => ({ sketch, timetable }))
      .filter(
        (one) =>
          !lanes.some((lane) => lane.sketch.id === one.sketch.id && lane.timetable.id === one.timetable.id),
      ),
  );
  if (addable.length === 0) return null;
  if (lanes.length >= mostInLineUp)
    return <span className="text-12 text-mute">{wording.lineUpHoldsEight}</span>;
  return (
    <Menu align="start" trigger={<Button look="quiet">{wording.addFromShortlist}</Button>}>
      <div className="max-h-[60vh] overflow-y-auto">
        {addable.map(({ sketch, timetable }) => (
          <MenuItem
            key={`${sketch.id} ${timetable.id}`}
            onSelect={() =>
              edits.change((now) =>
                lineUp(
                  now,
                  { sketch: sketch.id, timetable: timetable.id },
                  lanes.map((lane) => lane.entry),
                ),
              )
            }
          >
            <span>
              {timetable.name}
              {sketches.length > 1 && <span className="block text-11 text-mute">{sketch.name}</span>}
            </span>
          </MenuItem>
        ))}
      </div>
    </Menu>
  );
}
