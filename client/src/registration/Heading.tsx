import { useQuery } from '@tanstack/react-query';
import { recordQuery } from '@/api/recordQueries';
import { numbersOf } from '@/domain/shortlist';
import { ExportMenu } from '@/domain/ExportMenu';
import { SavedState } from '@/domain/SavedState';
import type { PicksEdits } from '@/domain/usePicks';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { ChoiceMenu } from './ChoiceMenu';
import { UndoRedoButtons } from '@/ui/UndoRedoButtons';
import { Chooser } from './Chooser';
import { blocking } from './courseStates';
import type { ChoiceView } from './useChoice';
import { useOpenChange } from './useOpenChange';
import type { Registered } from './useRegistered';
import { wording } from '@/wording/registration/Heading';

type Props = {
  visit: TermVisit;
  edits: PicksEdits;
  view: ChoiceView;
  registered: Registered;
  onHistory: () => void;
  onRecord: () => void;
};

/** How far the registration is, what it makes, and what can be done with all of it. */
export function Heading({ visit, edits, view, registered, onHistory, onRecord }: Props) {
  const { standing, states } = registered;
  const { held, waiting, credits } = standing.standing;
  const { choice } = edits.picks;
  const record = useQuery(recordQuery);
  const change = useOpenChange(visit, standing);
  const courses = new Set(states.map((one) => one.course)).size;
  const open = states.flatMap((one) => (one.kind === 'planned' || one.kind === 'refused' ? [one] : []));
  const ready = open.filter((one) => one.now && blocking(one.now).length === 0);
  const hasBegun = held.length + waiting.length + standing.presses.length > 0;
  const needing = states.filter((one) => one.kind === 'refused').length;
  const load = record.data?.record.load;
  const short = load?.fullTime != null && credits < load.fullTime ? load.fullTime - credits : 0;
  return (
    <header className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-rule px-4 py-2 print:px-0">
      <h1 className="leading-tight">
        <span className="text-24 font-heavy">
          {hasBegun
            ? wording.areYours(new Set(held.map((one) => one.course)).size, courses)
            : registered.readiness
              ? wording.ready(ready.length, open.length)
              : wording.askingRegistrar}
        </span>
        <span className="block text-12 text-mute">
          {hasBegun
            ? wording.soMuch(credits, waiting.length, needing)
            : wording.nothingRegistered(visit.term.name)}
        </span>
      </h1>
      {hasBegun && (
        <p className="leading-tight">
          <span className="text-14 font-heavy">{wording.credits(credits)}</span>
          {load?.fullTime != null && (
            <span className={`block text-12 ${short > 0 ? 'font-strong text-brick' : 'text-mute'}`}>
              {short > 0 ? wording.shortOfFullTime(short, load.fullTime) : wording.fullTime(load.fullTime)}
            </span>
          )}
        </p>
      )}
      <div className="ml-auto flex flex-wrap items-center gap-1.5 print:hidden">
        <SavedState edits={edits} />
        {choice && (
          <UndoRedoButtons
            canUndo={edits.canUndo}
            canRedo={edits.canRedo}
            onUndo={edits.undo}
            onRedo={edits.redo}
          />
        )}
        <ChoiceMenu visit={visit} edits={edits} view={view} />
        {held.length > 0 ? (
          <Button onClick={onRecord}>{wording.toKeep}</Button>
        ) : (
          choice && (
            <ExportMenu
              term={visit.term.id}
              name={choice.timetable.name}
              numbers={numbersOf(choice.timetable)}
              sections={view.sections}
              trigger={<Button>{wording.export}</Button>}
            />
          )
        )}
        {hasBegun && <Button onClick={onHistory}>{wording.history}</Button>}
        {held.length > 0 ? (
          <Button look="main" disabled={change.isOpening} onClick={() => void change.open(null)}>
            {wording.changeIt}
          </Button>
        ) : (
          !choice && <Chooser visit={visit} edits={edits} isQuiet />
        )}
      </div>
      {change.problem !== null && (
        <p role="alert" className="basis-full text-12 text-brick">
          {change.problem}
        </p>
      )}
    </header>
  );
}
