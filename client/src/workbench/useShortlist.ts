import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { call, http, type PutBy, type Sketch } from '@/api/client';
import { rankQuery } from '@/api/putByQueries';
import { sketchesQuery } from '@/api/queries';
import { newId } from '@/lib/newId';
import { lanesOf, lineUp } from '@/domain/picks';
import { findPutBy, mostShortlisted, putBy, seenOf } from '@/domain/shortlist';
import type { Edits } from '@/domain/useSketchEdits';
import { usePicks } from '@/domain/usePicks';
import { withCurrent } from '@/domain/useTermVisit';
import { placed, type Sections } from '@/domain/useSections';
import type { Walk } from '@/domain/useWalk';
import { wording } from '@/wording/workbench/useShortlist';

type Options = { sketch: Sketch; walk: Walk; sections: Sections; edits: Edits; onOpen: () => void };

/** Putting the timetable in view by, into the line-up, and going back to one that was put by. */
export function useShortlist({ sketch, walk, sections, edits, onOpen }: Options) {
  const client = useQueryClient();
  const { picks, change } = usePicks(sketch.term);
  const [problem, setProblem] = useState<string | null>(null);
  /** The one whose name is to be typed over. */
  const [naming, setNaming] = useState<string | null>(null);
  const { shortlist } = sketch;
  const inView = walk.inView?.sections;
  const here = inView && findPutBy(shortlist, inView);

  const nameFor = async (numbers: readonly string[]): Promise<string> => {
    const taken = shortlist.map((one) => one.name);
    try {
      const body = { ask: walk.ask, sections: [...numbers], taken };
      return (await call(http.POST('/api/answers/name', { body }))).name;
    } catch {
      // Only a proposal: it is kept under a plain name all the same.
      return wording.timetableShortlistCount(shortlist.length + 1);
    }
  };

  /** The one in view on the shortlist, put there if need be; null where there is none or no room. */
  const put = async (): Promise<PutBy | null> => {
    if (!inView) return null;
    if (here) return here;
    if (shortlist.length >= mostShortlisted) {
      setProblem(wording.shortlistAndHoldsNoMore(mostShortlisted));
      return null;
    }
    const name = await nameFor(inView);
    const one = { id: newId(), name, note: '', sections: seenOf(placed(sections, inView)) };
    edits.changeShortlist((now) => putBy(now, one));
    setProblem(null);
    return one;
  };

  const addToLineUp = async (timetable: PutBy) => {
    const { sketches } = await client.query(sketchesQuery(sketch.term));
    const shown = lanesOf(picks, withCurrent(sketches, sketch)).map((lane) => lane.entry);
    const entry = { sketch: sketch.id, timetable: timetable.id };
    if (lineUp(picks, entry, shown).lineUp.some((one) => one.timetable === timetable.id)) {
      change((now) => lineUp(now, entry, shown));
      setProblem(null);
    } else setProblem(wording.lineUpEightAndHolds);
  };

  /** Walks to a timetable; says why where it cannot be walked to. */
  const show = async (numbers: readonly string[]): Promise<boolean> => {
    try {
      const found = await client.query(rankQuery(walk.ask, numbers));
      if (found.isOfAsk && found.rank !== null) {
        walk.show(found.rank - 1, found.alike);
        setProblem(null);
        return true;
      }
      setProblem(found.isOfAsk ? wording.timetableNotAmongBest2 : wording.timetableNoneOfThosePossible);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : wording.timetableCouldNotBeLooked);
    }
    return false;
  };

  const open = (toName: PutBy | null) => {
    setNaming(toName?.id ?? null);
    onOpen();
  };

  return {
    here,
    naming,
    problem,
    forgetProblem: () => setProblem(null),
    open: () => open(null),
    /** Puts the one in view by; once more, and it gets its name. */
    putBy: () => (here ? open(here) : void put()),
    putInLineUp: () => void put().then((one) => one && addToLineUp(one)),
    addToLineUp,
    show,
  };
}

export type ShortlistActions = ReturnType<typeof useShortlist>;
