import { usePicks } from '@/domain/usePicks';
import { type TermVisit, useTermVisit } from '@/domain/useTermVisit';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { ChoicePage } from './ChoicePage';
import { Chooser } from './Chooser';
import { wording } from '@/wording/choice/Choice';

/** The one timetable of a term that a student means to register, with what is prepared for it. */
export function Choice() {
  const { visit, problem, retry } = useTermVisit();
  if (problem) return <Failure what={wording.choiceCouldNotBeOpened} problem={problem} onRetry={retry} />;
  return visit ? <OfTerm visit={visit} /> : <Loading />;
}

function OfTerm({ visit }: { visit: TermVisit }) {
  const edits = usePicks(visit.term.id);
  if (edits.failed)
    return <Failure what={wording.choiceCouldNotBeRead} problem={edits.failed} onRetry={edits.retry} />;
  if (!edits.isLoaded) return <Loading />;
  const { choice } = edits.picks;
  if (choice) return <ChoicePage visit={visit} choice={choice} edits={edits} />;
  const hasShortlisted = visit.sketches.some((sketch) => sketch.shortlist.length > 0);
  return (
    <main className="flex flex-1">
      <Message title={wording.nothingChosenYet} heading="h1">
        <p>{hasShortlisted ? wording.chooseOneOfTimetables : wording.onWorkbenchSPutsTimetable}</p>
        <Chooser visit={visit} edits={edits} />
        {edits.canUndo && (
          <button type="button" onClick={edits.undo} className="font-strong text-plum hover:underline">
            {wording.undoLastChange}
          </button>
        )}
      </Message>
    </main>
  );
}
