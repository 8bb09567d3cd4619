import { lanesOf } from '@/domain/picks';
import { usePicks } from '@/domain/usePicks';
import { type TermVisit, useTermVisit } from '@/domain/useTermVisit';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { AddLane } from './AddLane';
import { Board } from './Board';
import { wording } from '@/wording/lineup/LineUp';

/** The Line-up of a term: several timetables on one hour axis. */
export function LineUp() {
  const { visit, problem, retry } = useTermVisit();
  if (problem) return <Failure what={wording.lineUpCouldNotBe} problem={problem} onRetry={retry} />;
  return visit ? <OfTerm visit={visit} /> : <Loading />;
}

function OfTerm({ visit }: { visit: TermVisit }) {
  const { term, sketches } = visit;
  const edits = usePicks(term.id);
  if (edits.failed)
    return <Failure what={wording.lineUpNotRead} problem={edits.failed} onRetry={edits.retry} />;
  if (!edits.isLoaded) return <Loading />;
  const lanes = lanesOf(edits.picks, sketches);
  if (lanes.length > 0) return <Board visit={visit} lanes={lanes} edits={edits} />;
  const hasShortlisted = sketches.some((sketch) => sketch.shortlist.length > 0);
  return (
    <main className="flex flex-1">
      <Message title={wording.nothingLinedUpYet} heading="h1">
        <p>{hasShortlisted ? wording.addTimetablesFromShortlists : wording.onWorkbenchWalkToTimetable}</p>
        {hasShortlisted && <AddLane sketches={sketches} lanes={lanes} edits={edits} />}
      </Message>
    </main>
  );
}
