import { useMemo } from 'react';
import type { Ask, PutBy, Sketch } from '@/api/client';
import { expectAnswer } from '@/api/answerQueries';
import { useStable } from '@/lib/useStable';
import { isSame } from '@/lib/isSame';
import { useSaverState, useSaving } from '@/saving/SavingContext';
import { draftOf, type Draft } from '@/saving/sketchPort';

/**
 * Changes to the sketch in view. Each is shown at once, saved by itself and one step of undo; what cannot be saved for
 * now stays in view, and is kept and sent again whatever place one goes to.
 */
export function useSketchEdits(sketch: Sketch) {
  const saver = useSaving().sketch(sketch.id, sketch.term);
  const { isSaving, failure } = useSaverState(saver);

  const edit = (make: (draft: Draft) => Draft) => {
    // What is in view may be older than what was done since it was drawn.
    const before = saver.shown(saver.known() ?? draftOf(sketch));
    const after = make(before);
    if (isSame(before, after)) return;
    const saved = saver.change(before, after);
    if (!isSame(before.ask, after.ask)) expectAnswer(after.ask, saved);
  };

  const actions = useStable({
    change: (make: (ask: Ask) => Ask) => edit((draft) => ({ ...draft, ask: make(draft.ask) })),
    changeShortlist: (make: (shortlist: readonly PutBy[]) => readonly PutBy[]) =>
      edit((draft) => ({ ...draft, shortlist: make(draft.shortlist) })),
    rename: (name: string) => edit((draft) => ({ ...draft, name })),
    undo: () => saver.undo(),
    redo: () => saver.redo(),
    /** Notes that what became of the sketch's sections was read. */
    readChanges: () => saver.step('read'),
  });
  return useMemo(() => ({ ...actions, isSaving, isFailing: failure !== null }), [actions, isSaving, failure]);
}

export type Edits = ReturnType<typeof useSketchEdits>;
