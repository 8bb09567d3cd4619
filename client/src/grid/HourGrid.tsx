import { useMemo } from 'react';
import type { TimeBlock } from '@/api/client';
import { daysOf, fullDay, shortDay } from '@/lib/days';
import { sayHours } from '@/lib/time';
import { along, type Axis, hoursOf, percent } from './axis';
import { BlockBar } from './BlockBar';
import { hoursOfBlock } from './blocks';
import { ClassBlock } from './ClassBlock';
import type { GridClass } from './classes';
import { sharesOfDay } from './shares';
import { type BlocksDraft, useBlockDrag } from './useBlockDrag';

type Props = {
  axis: Axis;
  classes: readonly GridClass[];
  weekCount: number;
  blocks: readonly TimeBlock[];
  /** What the block under the pointer would leave, in words. */
  leaves: string;
  leavesNone: boolean;
  onDraft: (draft: BlocksDraft | null) => void;
  onBlocks: (blocks: readonly TimeBlock[]) => void;
  onOpenBlock: (index: number) => void;
};

/** The week: hours across, days down. */
export function HourGrid(props: Props) {
  const { axis, classes, weekCount, blocks, leaves, leavesNone, onDraft, onBlocks, onOpenBlock } = props;
  const { bands, draft, startDraw, startMove, startStretch, handlers } = useBlockDrag({
    axis,
    blocks,
    onDraft,
    onDone: onBlocks,
    onPress: onOpenBlock,
  });
  const shown = draft?.blocks ?? blocks;
  const hours = hoursOf(axis);

  return (
    <section aria-label="Hour grid" className="flex min-h-0 min-w-[720px] flex-1 flex-col pr-6">
      <div className="relative ml-[84px] h-6 shrink-0 text-12 text-mute" aria-hidden="true">
        {hours.map((hour) => (
          <span
            key={hour}
            data-hour={hour}
            className="absolute top-1 -translate-x-1/2"
            style={{ left: percent(along(axis, hour * 60)) }}
          >
            {hour}
          </span>
        ))}
      </div>
      <div className="flex min-h-0 flex-1 border-y border-rule">
        <div className="sticky left-0 z-20 flex w-[84px] shrink-0 flex-col border-r border-hair bg-paper">
          {axis.days.map((day) => (
            <DayName key={day} name={shortDay(day)} classes={classes.filter((one) => one.day === day)} />
          ))}
        </div>
        <div
          ref={bands}
          className="relative flex flex-1 cursor-crosshair flex-col select-none"
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
              <HourLines axis={axis} hours={hours} />
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
                    onChange={(next) =>
                      onBlocks(next ? blocks.with(index, next) : blocks.toSpliced(index, 1))
                    }
                    onOpen={() => onOpenBlock(index)}
                  />
                ) : null,
              )}
              <DayClasses
                axis={axis}
                classes={classes.filter((one) => one.day === day)}
                weekCount={weekCount}
              />
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

function DayName({ name, classes }: { name: string; classes: readonly GridClass[] }) {
  const hours =
    classes.length === 0
      ? 'off'
      : sayHours(Math.min(...classes.map((one) => one.start)), Math.max(...classes.map((one) => one.end)));
  return (
    <div
      className="min-h-[54px] flex-1 border-rule pt-2 pr-2 text-right not-first:border-t"
      aria-hidden="true"
    >
      <div className="text-14 font-heavy">{name}</div>
      <div className="text-11 whitespace-nowrap text-mute">{hours}</div>
    </div>
  );
}

function HourLines({ axis, hours }: { axis: Axis; hours: number[] }) {
  return (
    <>
      {hours.map((hour) => (
        <div
          key={hour}
          className="absolute inset-y-0 w-px bg-hair"
          style={{ left: percent(along(axis, hour * 60)) }}
        />
      ))}
    </>
  );
}

function DayClasses({ axis, classes, weekCount }: { axis: Axis; classes: GridClass[]; weekCount: number }) {
  const shares = useMemo(() => sharesOfDay(classes, weekCount), [classes, weekCount]);
  return (
    <ul className="pointer-events-none absolute inset-0">
      {classes.map((one) => (
        <ClassBlock key={one.key} axis={axis} one={one} share={shares.get(one.key)!} weekCount={weekCount} />
      ))}
    </ul>
  );
}
