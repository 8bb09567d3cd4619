import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Ask, TimeBlock } from '@/api/client';
import { answerQuery } from '@/api/answerQueries';
import type { BlocksDraft } from '@/grid/useBlockDrag';

/** Blocks under the pointer, and what is asked with them. */
type DrawnHours = { blocks: readonly TimeBlock[]; ask: Ask };

/**
 * What is asked with the hours under the pointer, as soon as it is answered. The grid draws the hours themselves, at
 * once; the rest is drawn one time, with the answer. More may be looked at beside them.
 */
export function useDrawnHours(ask: Ask, withMore: (ask: Ask) => Ask) {
  const client = useQueryClient();
  const [drawn, setDrawn] = useState<DrawnHours | null>(null);
  const latest = useRef<readonly TimeBlock[] | null>(null);

  const draw = (next: BlocksDraft | null) => {
    latest.current = next?.blocks ?? null;
    if (!next) {
      setDrawn(null);
      return;
    }
    const { blocks } = next;
    const drawnAsk = withMore({ ...ask, timeBlocks: [...blocks] });
    const show = () => {
      if (latest.current === blocks) setDrawn({ blocks, ask: drawnAsk });
    };
    // What cannot be answered is shown too: the Workbench then says why.
    client.query(answerQuery(drawnAsk)).then(show, show);
  };
  return { drawn, draw };
}
