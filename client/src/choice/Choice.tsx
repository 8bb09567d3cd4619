import { usePicks } from '@/domain/usePicks';
import { type TermVisit, useTermVisit } from '@/domain/useTermVisit';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { ChoicePage } from './ChoicePage';
import { Chooser } from './Chooser';

/** The one timetable of a term that a student means to register, with what is prepared for it. */
export function Choice() {
  const { visit, problem, retry } = useTermVisit();
  if (problem) return <Failure what="The choice could not be opened." problem={problem} onRetry={retry} />;
  return visit ? <OfTerm visit={visit} /> : <Loading />;
}

function OfTerm({ visit }: { visit: TermVisit }) {
  const edits = usePicks(visit.term.id);
  if (edits.failed)
    return <Failure what="The choice could not be read." problem={edits.failed} onRetry={edits.retry} />;
  if (!edits.isLoaded) return <Loading />;
  const { choice } = edits.picks;
  if (choice) return <ChoicePage visit={visit} choice={choice} edits={edits} />;
  const hasShortlisted = visit.sketches.some((sketch) => sketch.shortlist.length > 0);
  return (
    <main className="flex flex-1">
      <Message title="Nothing is chosen yet" heading="h1">
        <p>
          {hasShortlisted
            ? 'Choose one of the timetables on your shortlist, and prepare here what to take if a section fills.'
            : 'On the Workbench, S puts a timetable on the shortlist. The one you settle on is chosen there or in the Line-up, and prepared here for the day registration opens.'}
        </p>
        <Chooser visit={visit} edits={edits} />
        {edits.canUndo && (
          <button type="button" onClick={edits.undo} className="font-strong text-plum hover:underline">
            Undo the last change
          </button>
        )}
      </Message>
    </main>
  );
}
