import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Ask, TimeBlock } from '@/api/client';
import { answerQuery, keyOf, soonKnown } from '@/api/answerQueries';
import { goingOn } from '@/grid/blocks';
import type { BlocksDraft } from '@/grid/useBlockDrag';
import { afterPaint } from '@/lib/afterPaint';

/** Blocks under the pointer, and what is asked with them. */
type DrawnHours = { blocks: readonly TimeBlock[]; ask: Ask };

/** A place the pointer came to in a drag, and the one before. */
type Step = { drag: symbol; draft: BlocksDraft; before: BlocksDraft | null; ask: Ask };

/**
 * What is asked with the hours under the pointer, as soon as it is known. The grid draws the hours themselves, at once;
 * the rest is drawn one time, with the answer. More may be looked at beside them.
 */
export function useDrawnHours(ask: Ask, withMore: (ask: Ask) => Ask) {
  const client = useQueryClient();
  const [drawn, setDrawn] = useState<DrawnHours | null>(null);
  const latest = useRef<Step | null>(null);
  const isAsking = useRef(false);
  const askedAhead = useRef<Ask | null>(null);

  const askWith = (blocks: readonly TimeBlock[]) => withMore({ ...ask, timeBlocks: [...blocks] });

  /** Most pointers go on the way they went: what the next step would ask is answered before it is taken. */
  const askAhead = async (step: Step) => {
    const { draft, before } = step;
    const [from, to] = [before?.blocks[draft.active], draft.blocks[draft.active]!];
    const ahead = from && goingOn(from, to);
    if (!ahead) return;
    await Promise.allSettled([afterPaint(), client.query(answerQuery(step.ask))]);
    if (latest.current !== step) return;
    askedAhead.current = askWith(draft.blocks.with(draft.active, ahead));
    client.query(answerQuery(askedAhead.current)).catch(() => undefined);
  };

  /** What was asked ahead of a step that is not taken is in the way of the one that is. */
  const forgetAhead = (taken: Ask | null) => {
    const ahead = askedAhead.current;
    askedAhead.current = null;
    if (ahead && (taken === null || keyOf(ahead) !== keyOf(taken)))
      void client.cancelQueries({ queryKey: answerQuery(ahead).queryKey });
  };

  /**
   * Asks for one step after the other, so that a pointer faster than the answers finds none of them waiting behind steps
   * it has left: it passes over those, and sees all that it can be shown.
   */
  const answer = async () => {
    isAsking.current = true;
    const next = () => latest.current;
    let shown: Step | null = null;
    for (let step = next(); step !== null && step !== shown; step = next()) {
      // What cannot be answered is shown too: the Workbench then says why.
      await soonKnown(client, step.ask).catch(() => undefined);
      // Of a drag that has ended nothing is shown, though another may have begun.
      if (next()?.drag === step.drag) setDrawn({ blocks: step.draft.blocks, ask: step.ask });
      shown = step;
    }
    isAsking.current = false;
    if (shown !== null && next() === shown) void askAhead(shown);
  };

  const draw = (next: BlocksDraft | null) => {
    if (!next) {
      latest.current = null;
      forgetAhead(null);
      setDrawn(null);
      return;
    }
    const before = latest.current;
    latest.current = {
      drag: before?.drag ?? Symbol(),
      draft: next,
      before: before?.draft ?? null,
      ask: askWith(next.blocks),
    };
    forgetAhead(latest.current.ask);
    if (!isAsking.current) void answer();
  };
  return { drawn, draw };
}
