import { useState } from 'react';
import type { Ask, Plan, Sketch } from '@/api/client';
import type { PlanEdits } from '@/domain/usePlan';
import { useSketchEdits } from '@/domain/useSketchEdits';
import { useUndoKeys } from '@/lib/useUndoKeys';
import { useStable } from '@/lib/useStable';

/** What was done here last, and where: it is taken back there. */
type Done = { what: 'sketch' | 'plan'; said: string };

/** Changes to the open sketch and to terms ahead that are made here, each told, and taken back by one key. */
export function useDoneHere(sketch: Sketch, plans: PlanEdits) {
  const edits = useSketchEdits(sketch);
  const [done, setDone] = useState<Done | null>(null);
  const actions = useStable({
    changeSketch: (said: string, make: (ask: Ask) => Ask) => {
      edits.change(make);
      setDone({ what: 'sketch', said });
    },
    changePlan: (said: string, make: (plan: Plan) => Plan) => {
      plans.change(make);
      setDone({ what: 'plan', said });
    },
    undo: () => {
      if (done?.what === 'sketch') edits.undo();
      else plans.undo();
      setDone(null);
    },
    redo: () => plans.redo(),
  });
  useUndoKeys(actions);
  return { ...actions, said: done?.said ?? null, ask: sketch.ask };
}

export type DoneHere = ReturnType<typeof useDoneHere>;
