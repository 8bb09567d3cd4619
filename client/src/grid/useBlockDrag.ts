import { type PointerEvent, useRef, useState } from 'react';
import type { TimeBlock } from '@/api/client';
import { type Day, days } from '@/lib/days';
import type { Minute } from '@/lib/time';
import { useKeyDown } from '@/lib/useKeyDown';
import { useStable } from '@/lib/useStable';
import type { Axis } from './axis';
import { drawn, moved, newBlock, onDaysShifted, step, stretched } from './blocks';
import { useRestingFinger } from './useRestingFinger';

/** What the pointer has taken hold of. */
type Hold =
  | { kind: 'draw'; day: Day; anchor: Minute }
  | { kind: 'move'; index: number; day: Day; anchor: Minute }
  | { kind: 'stretch'; index: number; edge: 'start' | 'end' };

type PointerAt = { pointer: number; x: number; y: number };

type Drag = Hold & PointerAt & { begun: boolean };

/** The blocks as they would be if the pointer were let go now; `active` is the one being changed. */
export type BlocksDraft = { blocks: readonly TimeBlock[]; active: number };

/** A block that was changed; before is null for a new one, after for one that is removed. */
export type BlockChange = { before: TimeBlock | null; after: TimeBlock | null };

const slack = 4;

/** What a finger that rests takes out before it has moved. */
const hour = 60;

type Options = {
  axis: Axis;
  blocks: readonly TimeBlock[];
  onDraft: (draft: BlocksDraft | null) => void;
  /** How strongly what is drawn holds: `cannot` or `ratherNot`. */
  drawing: string;
  onDone: (change: BlockChange) => void;
  /** The pointer was let go of a block without having moved. */
  onPress: (block: TimeBlock) => void;
};

/**
 * Drawing, moving and stretching blocks with a pointer. While it is down the draft follows; letting go keeps it,
 * Escape or losing the pointer drops it. A finger draws once it has rested, since it scrolls the grid, too.
 */
export function useBlockDrag({ axis, blocks, drawing, onDraft, onDone, onPress }: Options) {
  const bands = useRef<HTMLDivElement>(null);
  const drag = useRef<Drag | null>(null);
  const [draft, setDraft] = useState<BlocksDraft | null>(null);
  // Pointer events outrun rendering: what is let go is the last draft, not the last one painted.
  const latest = useRef<BlocksDraft | null>(null);

  const finger = useRestingFinger(bands, () => drag.current?.begun === true);

  const show = (next: BlocksDraft | null) => {
    if (JSON.stringify(next) === JSON.stringify(latest.current)) return;
    latest.current = next;
    setDraft(next);
    onDraft(next);
  };

  const drop = () => {
    drag.current = null;
    show(null);
  };
  useKeyDown((event) => {
    if (event.key !== 'Escape') return;
    event.preventDefault();
    drop();
  }, draft !== null);

  const pointAt = (event: PointerEvent) => {
    const box = bands.current!.getBoundingClientRect();
    const part = (event.clientX - box.left) / box.width;
    const minute = axis.from + part * (axis.to - axis.from);
    const row = Math.floor(((event.clientY - box.top) / box.height) * axis.days.length);
    return {
      minute: Math.max(axis.from, Math.min(axis.to, Math.round(minute / step) * step)),
      day: axis.days[Math.max(0, Math.min(axis.days.length - 1, row))]!,
    };
  };

  const changed = (hold: Hold, at: { minute: Minute; day: Day }): BlocksDraft => {
    if (hold.kind === 'draw') {
      const hours = drawn(hold.anchor, at.minute);
      // A drag over several days takes the hours out of each.
      const [first, last] = [days.indexOf(hold.day), days.indexOf(at.day)].sort((a, b) => a - b);
      const block = newBlock(days.slice(first, last! + 1), hours, '', drawing);
      return { blocks: [...blocks, block], active: blocks.length };
    }
    const block = blocks[hold.index]!;
    const next =
      hold.kind === 'stretch'
        ? stretched(block, hold.edge, at.minute)
        : onDaysShifted(moved(block, at.minute - hold.anchor), days.indexOf(at.day) - days.indexOf(hold.day));
    return { blocks: blocks.with(hold.index, next), active: hold.index };
  };

  const begin = (event: PointerEvent, hold: (at: { minute: Minute; day: Day }) => Hold) => {
    if (event.button !== 0 || drag.current?.begun) return;
    event.stopPropagation();
    drag.current = {
      ...hold(pointAt(event)),
      pointer: event.pointerId,
      x: event.clientX,
      y: event.clientY,
      begun: false,
    };
  };

  // The finger has rested for a while by then, and blocks may have changed meanwhile.
  const { holdAt } = useStable({
    holdAt: (at: { minute: Minute; day: Day }, { pointer, x, y }: PointerAt) => {
      const hold: Drag = { kind: 'draw', day: at.day, anchor: at.minute, pointer, x, y, begun: true };
      drag.current = hold;
      bands.current!.setPointerCapture(pointer);
      show(changed(hold, { ...at, minute: Math.min(axis.to, at.minute + hour) }));
    },
  });

  return {
    bands,
    draft,
    startDraw: (event: PointerEvent) => {
      if (event.pointerType === 'touch') {
        const at = pointAt(event);
        const pointerAt = { pointer: event.pointerId, x: event.clientX, y: event.clientY };
        // A touch is said to be of the button nearest to it; what counts here is what lies under it.
        const isFree = !document.elementFromPoint(pointerAt.x, pointerAt.y)?.closest('button');
        if (!event.isPrimary) finger.lift();
        else if (isFree && !drag.current?.begun) finger.put(event, () => holdAt(at, pointerAt));
        return;
      }
      begin(event, (at) => ({ kind: 'draw', day: at.day, anchor: at.minute }));
    },
    startMove: (event: PointerEvent, index: number) =>
      begin(event, (at) => ({ kind: 'move', index, day: at.day, anchor: at.minute })),
    startStretch: (event: PointerEvent, index: number, edge: 'start' | 'end') =>
      begin(event, () => ({ kind: 'stretch', index, edge })),
    handlers: {
      onPointerMove: (event: PointerEvent) => {
        finger.move(event);
        const held = drag.current;
        if (!held || held.pointer !== event.pointerId) return;
        if (!held.begun && Math.hypot(event.clientX - held.x, event.clientY - held.y) > slack) {
          // Only now: a press that does not move stays with what is under it, a class for one.
          held.begun = true;
          bands.current!.setPointerCapture(event.pointerId);
        }
        if (held.begun) show(changed(held, pointAt(event)));
      },
      onPointerUp: (event: PointerEvent) => {
        finger.lift();
        const held = drag.current;
        if (!held || held.pointer !== event.pointerId) return;
        const kept = latest.current;
        drop();
        if (kept && held.begun)
          onDone({ before: blocks[kept.active] ?? null, after: kept.blocks[kept.active]! });
        else if (held.kind !== 'draw') onPress(blocks[held.index]!);
      },
      onPointerCancel: () => {
        finger.lift();
        drop();
      },
      onLostPointerCapture: (event: PointerEvent) => {
        // A finger is held by what it touches first, which loses it when the bands take it over.
        if (event.target === bands.current && drag.current?.pointer === event.pointerId) drop();
      },
    },
  };
}
