import { useQuery } from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';
import type { Sketch } from '@/api/client';
import { sketchesQuery, sketchQuery } from '@/api/queries';
import { useSaving } from '@/saving/SavingContext';
import { draftOf, type Draft } from '@/saving/sketchPort';
import type { Saver } from '@/saving/saver';

/** The sketch that is open, as its student sees it: with what is not saved yet. */
export function useSketch(term: string, enabled = true) {
  const query = useQuery({ ...sketchQuery(term), enabled });
  const shown = useShown(query.data ? [query.data] : none);
  return { ...query, data: shown[0] };
}

/** All sketches of a term, as their student sees them. */
export function useSketches(term: string, enabled = true) {
  const query = useQuery({ ...sketchesQuery(term), enabled });
  const sketches = useShown(query.data?.sketches ?? none);
  return { ...query, data: query.data && { ...query.data, sketches } };
}

const none: readonly Sketch[] = [];

function useShown(sketches: readonly Sketch[]): Sketch[] {
  const saving = useSaving();
  const savers = useSyncExternalStore(saving.subscribe, saving.getAll);
  return useMemo(
    // What is not saved is read of the savers, which are a new list whenever they change.
    () =>
      sketches.map((sketch) =>
        shownSketch(sketch, savers.length > 0 ? saving.sketch(sketch.id, sketch.term) : null),
      ),
    [sketches, savers, saving],
  );
}

/** A sketch with what a saver has not saved yet. */
function shownSketch(sketch: Sketch, saver: Saver<Draft> | null): Sketch {
  const state = saver?.getState();
  if (!saver || !state || (state.changes.length === 0 && !state.canRedoUnsaved)) return sketch;
  const shown = saver.shown(draftOf(sketch));
  return {
    ...sketch,
    ...shown,
    shortlist: [...shown.shortlist],
    canUndo: sketch.canUndo || state.changes.length > 0,
    canRedo: state.canRedoUnsaved || (sketch.canRedo && state.changes.length === 0),
  };
}
