import type { Break, Clash, TimeBlock } from '@/api/client';
import { type Day, daysOf } from '@/lib/days';
import { fullDay, shortDay } from '@/wording/days';
import { sayHours } from '@/wording/times';
import type { Axis } from './axis';
import { BlockBar } from './BlockBar';
import { hoursOfBlock } from './blocks';
import { BreakBracket } from './BreakBracket';
import { ClashMark } from './ClashMark';
import type { ClassHandlers } from './ClassBlock';
import type { GridClass } from './classes';
import { type OfferedBlock, OfferedBlocks } from './OfferedBlocks';
import { type Outline, Outlines } from './Outlines';
import { useBlockFocus } from './useBlockFocus';
import { type BlockChange, type BlocksDraft, useBlockDrag } from './useBlockDrag';
import { DayClasses, DayName, HourLines, HourScale } from './weekParts';
import { wording } from '@/wording/grid/HourGrid';

type Props = ClassHandlers & {
  axis: Axis;
  classes: readonly GridClass[];
  weekCount: number;
  /** Registration numbers of kept sections. */
  kept: ReadonlySet<string>;
  blocks: readonly TimeBlock[];
  breaks: readonly Break[];
  clashes: readonly Clash[];
  outlines: readonly Outline[];
  /** Hours that could be taken out, over the week. */
  offered: readonly OfferedBlock[];
  /** How strongly hours drawn on the grid are taken out. */
  drawing: string;
  /** What the block under the pointer would leave, in words. */
  leaves: string;
  leavesNone: boolean;
  /** The blocks under the pointer that what is shown answers; null while none are drawn. */
  answered: readonly TimeBlock[] | null;
  /** Whether what is shown waits for a newer answer. */
  isBusy: boolean;
  onDraft: (draft: BlocksDraft | null) => void;
  onBlock: (change: BlockChange) => void;
  onOpenBlock: (block: TimeBlock) => void;
};

/** The week: hours across, days down. */
export function HourGrid(props: Props) {
  const { axis, classes, weekCount, blocks, leaves, leavesNone, onDraft, onBlock, onOpenBlock } = props;
  const { bands, draft, startDraw, startMove, startStretch, handlers } = useBlockDrag({
    axis,
    blocks,
    drawing: props.drawing,
    onDraft,
    onDone: onBlock,
    onPress: onOpenBlock,
  });
  const shown = draft?.blocks ?? blocks;
  const focusAfter = useBlockFocus(bands, blocks);

  return (
    <section
      aria-label={wording.hourGrid}
      aria-busy={props.isBusy || (draft?.blocks ?? null) !== props.answered}
      className="flex min-h-0 min-w-[720px] flex-1 flex-col pr-6"
    >
      <HourScale axis={axis} />
      <div className="flex min-h-0 flex-1 border-y border-rule">
        <div className="sticky left-0 z-20 flex w-[84px] shrink-0 flex-col border-r border-hair bg-paper">
          {axis.days.map((day) => (
            <DayName key={day} name={shortDay(day)} classes={classes.filter((one) => one.day === day)} />
          ))}
        </div>
        <div
          ref={bands}
          tabIndex={-1}
          className="relative flex flex-1 cursor-crosshair flex-col select-none focus:outline-none"
          onPointerDown={startDraw}
          {...handlers}
        >
          {axis.days.map((day) => (
            <div
              key={day}
              role="group"
              aria-label={fullDay(day)}
              className="relative min-h-[54px] flex-1 border-rule bg-sheet not-first:border-t"
            >
              <HourLines axis={axis} />
              {shown.map((block, index) =>
                daysOf(block.days).includes(day) ? (
                  <BlockBar
                    key={index}
                    axis={axis}
                    block={block}
                    live={draft?.active === index ? sayLive(block, leaves) : null}
                    leavesNone={leavesNone}
                    onMoveStart={(event) => startMove(event, index)}
                    onStretchStart={(event, edge) => startStretch(event, index, edge)}
                    name={`${index} ${day}`}
                    onChange={(after) => {
                      focusAfter(block, after, index, day);
                      onBlock({ before: block, after });
                    }}
                    onOpen={() => onOpenBlock(block)}
                  />
                ) : null,
              )}
              {props.breaks.map((wanted, index) =>
                daysOf(wanted.days).includes(day) ? (
                  <BreakBracket
                    key={index}
                    axis={axis}
                    wanted={wanted}
                    taken={takenOn(day, classes, shown)}
                  />
                ) : null,
              )}
              <DayClasses
                axis={axis}
                classes={classes.filter((one) => one.day === day)}
                weekCount={weekCount}
                kept={props.kept}
                onPointClass={props.onPointClass}
                onPressClass={props.onPressClass}
              />
              {props.clashes
                .filter((clash) => clash.day === day)
                .map((clash) => (
                  <ClashMark key={`${clash.one} ${clash.other} ${clash.from}`} axis={axis} clash={clash} />
                ))}
              <OfferedBlocks axis={axis} day={day} offered={props.offered} />
              <Outlines axis={axis} outlines={props.outlines.filter(({ one }) => one.day === day)} />
            </div>
          ))}
        </div>
      </div>
    </section>
  );
}

function sayLive(block: TimeBlock, leaves: string): string {
  const { start, end } = hoursOfBlock(block);
  return `${sayHours(start, end)} ${leaves}`;
}

/** The hours of a day in which a class meets or nothing may. */
function takenOn(day: Day, classes: readonly GridClass[], blocks: readonly TimeBlock[]) {
  return [
    ...classes.filter((one) => one.day === day),
    ...blocks
      .filter((block) => block.strength === 'cannot' && daysOf(block.days).includes(day))
      .map(hoursOfBlock),
  ];
}
