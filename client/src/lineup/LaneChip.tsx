import { ChevronDown } from 'lucide-react';
import type { DragEvent } from 'react';
import { Menu, MenuItem, MenuLine } from '@/ui/Menu';
import { LaneLetter } from './LaneLetter';
import type { Lane } from '@/domain/picks';
import { wording } from '@/wording/lineup/LaneChip';

export type LaneActions = {
  goOn: () => void;
  baseline: () => void;
  move: (by: 1 | -1) => void;
  hide: () => void;
  takeOut: () => void;
  choose: () => void;
};

type Props = {
  lane: Lane;
  isHidden: boolean;
  isBaseline: boolean;
  isChoice: boolean;
  /** Whether something stands against it. */
  isFaulty: boolean;
  isFirst: boolean;
  isLast: boolean;
  actions: LaneActions;
  onDrop: (letter: string) => void;
};

const dragKind = 'application/x-hour-grid-lane';

/** A timetable of the line-up by letter and name, with all that can be done with it. Dragged, it changes places. */
export function LaneChip(props: Props) {
  const { lane, isHidden, isBaseline, isChoice, isFaulty, isFirst, isLast, actions, onDrop } = props;
  const marks = [
    isHidden && 'hidden',
    isBaseline && 'baseline',
    isChoice && wording.theChoice,
    isFaulty && wording.problemsSeeBelow,
  ].filter((mark) => mark !== false);
  return (
    <div
      draggable
      onDragStart={(event: DragEvent) => event.dataTransfer.setData(dragKind, lane.letter)}
      onDragOver={(event: DragEvent) => event.dataTransfer.types.includes(dragKind) && event.preventDefault()}
      onDrop={(event: DragEvent) => onDrop(event.dataTransfer.getData(dragKind))}
      data-lane={lane.letter}
      title={wording.dragToAnotherPlace(lane.timetable.name)}
      className={`flex max-w-[260px] cursor-grab items-center rounded-[4px] border border-rule bg-sheet pl-2 hover:border-ink ${isHidden ? 'text-mute' : ''}`}
    >
      <LaneLetter lane={lane} />
      <Menu
        align="start"
        trigger={
          <button
            type="button"
            aria-label={wording.whatToDo(
              lane.letter,
              lane.timetable.name,
              marks.map((mark) => `, ${mark}`).join(''),
            )}
            onKeyDown={(event) => {
              if (!event.altKey || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return;
              event.preventDefault();
              actions.move(event.key === 'ArrowLeft' ? -1 : 1);
            }}
            className="flex min-w-0 items-center gap-1.5 rounded-[4px] py-1.5 pr-2 pl-1.5"
          >
            <span className={`truncate ${isHidden ? 'line-through' : ''}`}>{lane.timetable.name}</span>
            {marks
              .filter((mark) => mark !== 'hidden')
              .map((mark) => (
                <span
                  key={mark}
                  className={`text-11 whitespace-nowrap ${mark === 'problems, see below' ? 'text-brick' : 'text-plum'}`}
                >
                  {mark}
                </span>
              ))}
            <ChevronDown size={13} className="shrink-0" aria-hidden="true" />
          </button>
        }
      >
        <MenuItem onSelect={actions.goOn}>{wording.goOnFromHere}</MenuItem>
        <MenuItem onSelect={actions.choose}>{wording.chooseIt}</MenuItem>
        <MenuLine />
        <MenuItem onSelect={actions.baseline}>
          {isBaseline ? wording.noBaselineAnyMore : wording.baselineShowOthersAsDifferences}
        </MenuItem>
        <MenuItem onSelect={actions.hide}>
          {wording.partLetter(isHidden ? wording.show : wording.hide, lane.letter)}
        </MenuItem>
        {!isFirst && <MenuItem onSelect={() => actions.move(-1)}>{wording.moveBeforeAlt}</MenuItem>}
        {!isLast && <MenuItem onSelect={() => actions.move(1)}>{wording.moveAfterAlt}</MenuItem>}
        <MenuLine />
        <MenuItem onSelect={actions.takeOut}>{wording.takeOutOfLineUp}</MenuItem>
      </Menu>
    </div>
  );
}
