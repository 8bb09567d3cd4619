import { lanesOf } from '@/domain/picks';
import { usePicks } from '@/domain/usePicks';
import { type TermVisit, useTermVisit } from '@/domain/useTermVisit';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { AddLane } from './AddLane';
import { Board } from './Board';

/** The Line-up of a term: several timetables on one hour axis. */
export function LineUp() {
  const { visit, problem, retry } = useTermVisit();
  if (problem) return <Failure what="The line-up could not be opened." problem={problem} onRetry={retry} />;
  return visit ? <OfTerm visit={visit} /> : <Loading />;
}

function OfTerm({ visit }: { visit: TermVisit }) {
  const { term, sketches } = visit;
  const edits = usePicks(term.id);
  if (edits.failed)
    return <Failure what="The line-up could not be read." problem={edits.failed} onRetry={edits.retry} />;
  if (!edits.isLoaded) return <Loading />;
  const lanes = lanesOf(edits.picks, sketches);
  if (lanes.length > 0) return <Board visit={visit} lanes={lanes} edits={edits} />;
  const hasShortlisted = sketches.some((sketch) => sketch.shortlist.length > 0);
  return (
    <main className="flex flex-1">
      <Message title="Nothing is lined up yet" heading="h1">
        <p>
          {hasShortlisted
            ? 'Add timetables from your shortlists, and see them side by side, hour by hour.'
            : 'On the Workbench, walk to a timetable you like and press L. With two or more you see them here side by side, hour by hour.'}
        </p>
        {hasShortlisted && <AddLane sketches={sketches} lanes={lanes} edits={edits} />}
      </Message>
    </main>
  );
}
