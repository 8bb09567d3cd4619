import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Ask, TimeBlock } from '@/api/client';
import { answerQuery, keyOf } from '@/api/answerQueries';
import { goingOn } from '@/grid/blocks';
import type { BlocksDraft } from '@/grid/useBlockDrag';
import { afterPaint } from '@/lib/afterPaint';

/** Blocks under the pointer, and what is asked with them. */
type DrawnHours = { blocks: readonly TimeBlock[]; ask: Ask };

/**
 * What is asked with the hours under the pointer, as soon as it is answered. The grid draws the hours themselves, at
 * once; the rest is drawn one time, with the answer. More may be looked at beside them.
 */
export function useDrawnHours(ask: Ask, withMore: (ask: Ask) => Ask) {
  const client = useQueryClient();
  const [drawn, setDrawn] = useState<DrawnHours | null>(null);
  const latest = useRef<BlocksDraft | null>(null);
  const askedAhead = useRef<Ask | null>(null);

  const askWith = (blocks: readonly TimeBlock[]) => withMore({ ...ask, timeBlocks: [...blocks] });

  /** Most pointers go on the way they went: what the next step would ask is answered before it is taken. */
  const askAhead = async (before: BlocksDraft | null, next: BlocksDraft) => {
    const [from, to] = [before?.blocks[next.active], next.blocks[next.active]!];
    const ahead = from && goingOn(from, to);
    if (!ahead) return;
    await afterPaint();
    if (latest.current !== next) return;
    askedAhead.current = askWith(next.blocks.with(next.active, ahead));
    client.query(answerQuery(askedAhead.current)).catch(() => undefined);
  };

  /** What was asked ahead of a step that is not taken is in the way of the one that is. */
  const forgetAhead = (taken: Ask | null) => {
    const ahead = askedAhead.current;
    askedAhead.current = null;
    if (ahead && (taken === null || keyOf(ahead) !== keyOf(taken)))
      void client.cancelQueries({ queryKey: answerQuery(ahead).queryKey });
  };

  const draw = (next: BlocksDraft | null) => {
    const before = latest.current;
    latest.current = next;
    if (!next) {
      forgetAhead(null);
      setDrawn(null);
      return;
    }
    const { blocks } = next;
    const drawnAsk = askWith(blocks);
    forgetAhead(drawnAsk);
    const show = () => {
      if (latest.current !== next) return;
      setDrawn({ blocks, ask: drawnAsk });
      void askAhead(before, next);
    };
    // What cannot be answered is shown too: the Workbench then says why.
    client.query(answerQuery(drawnAsk)).then(show, show);
  };
  return { drawn, draw };
}
