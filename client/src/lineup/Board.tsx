import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { letterKeys, useLetterKeys } from '@/lib/letterKeys';
import { useUndoKeys } from '@/lib/useUndoKeys';
import { choose, type Lane, lanesOf, moveLane, setBaseline, takeOut } from '@/domain/picks';
import { numbersOf } from '@/domain/shortlist';
import { SavedState } from '@/domain/SavedState';
import { useOpenIn } from '@/domain/useOpenIn';
import type { PicksEdits } from '@/domain/usePicks';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { UndoRedoButtons } from '@/ui/UndoRedoButtons';
import { AddLane } from './AddLane';
import { Against } from './Against';
import { LaneChip } from './LaneChip';
import { Lanes } from './Lanes';
import { LanesTable } from './LanesTable';
import { MeasureTable, Pairs } from './MeasureTable';
import { Survivals } from './Survivals';
import { type BoardLane, useBoard } from './useBoard';
import { wording } from '@/wording/lineup/Board';
import { common } from '@/wording/common';

type Props = { visit: TermVisit; lanes: readonly Lane[]; edits: PicksEdits };

/** Two to eight timetables side by side: the hours, the measures, and in what they differ. */
export function Board({ visit, lanes, edits }: Props) {
  const { term, sketches } = visit;
  const [hidden, setHidden] = useState<readonly string[]>([]);
  const [fades, setFades] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const openIn = useOpenIn(term.id);
  const navigate = useNavigate();
  const keyOf = (lane: Lane) => `${lane.sketch.id} ${lane.timetable.id}`;
  const isHidden = (lane: Lane) => hidden.includes(keyOf(lane));
  const shown = useMemo(
    () => lanes.filter((lane) => !hidden.includes(`${lane.sketch.id} ${lane.timetable.id}`)),
    [lanes, hidden],
  );
  const board = useBoard(visit, shown);

  const { baseline, choice } = edits.picks;
  const base = shown.find(
    (lane) => lane.entry.sketch === baseline?.sketch && lane.entry.timetable === baseline.timetable,
  );
  const isFaded = (lane: BoardLane, number: string) => {
    if (!fades || board.lanes.length < 2) return false;
    const others = base ? board.lanes.filter((other) => other.letter === base.letter) : board.lanes;
    return lane.letter !== base?.letter && others.every((other) => other.numbers.includes(number));
  };
  const toggle = (lane: Lane) => {
    const key = keyOf(lane);
    // One has to stay.
    setHidden(
      isHidden(lane) ? hidden.filter((one) => one !== key) : shown.length > 1 ? [...hidden, key] : hidden,
    );
  };
  const chooseLane = (lane: Lane) => {
    edits.change((now) => choose(now, lane.sketch.id, lane.timetable));
    void navigate(`/${term.id}/registration`);
  };
  useUndoKeys(edits);
  useLetterKeys(letterKeys.lineup, (name) => {
    const letter = name.toUpperCase();
    const lane = lanes.find((one) => one.letter === letter);
    if (lane) toggle(lane);
  });
  const moveOnto = (lane: Lane, target: Lane | undefined) =>
    target && edits.change((now) => moveLane(now, lane.entry, target.entry));

  const comparison = board.compared.data;
  const isComparisonOfThese = comparison?.rows[0]?.values.length === board.comparable.length;
  const comparable = board.lanes.filter((lane) => lane.state?.measures);
  return (
    <main className="flex min-h-0 flex-1 flex-col overflow-y-auto">
      <header className="flex flex-wrap items-center gap-2 border-b border-rule px-4 py-2">
        <h1 className="mr-1 text-16 font-heavy">{wording.lineUp}</h1>
        {lanes.map((lane, i) => (
          <LaneChip
            key={keyOf(lane)}
            lane={lane}
            isHidden={isHidden(lane)}
            isBaseline={base?.letter === lane.letter}
            isChoice={
              choice !== null && numbersOf(choice.timetable).join() === numbersOf(lane.timetable).join()
            }
            isFaulty={board.lanes.some((one) => one.letter === lane.letter && one.state?.holds === false)}
            isFirst={i === 0}
            isLast={i === lanes.length - 1}
            actions={{
              goOn: () =>
                void openIn(lane.sketch.id, numbersOf(lane.timetable)).catch((error: unknown) =>
                  setProblem(error instanceof Error ? error.message : wording.sketchCouldNotBeOpened),
                ),
              baseline: () => edits.change((now) => setBaseline(now, lane.entry)),
              move: (by) => moveOnto(lane, lanes[i + by]),
              hide: () => toggle(lane),
              takeOut: () => edits.change((now) => takeOut(now, lane.entry)),
              choose: () => chooseLane(lane),
            }}
            onDrop={(letter) => {
              const dragged = lanes.find((one) => one.letter === letter);
              if (dragged) moveOnto(dragged, lane);
            }}
          />
        ))}
        <AddLane sketches={sketches} lanes={lanesOf(edits.picks, sketches)} edits={edits} />
        <div className="ml-auto flex items-center gap-2">
          <SavedState edits={edits} />
          <UndoRedoButtons
            canUndo={edits.canUndo}
            canRedo={edits.canRedo}
            onUndo={edits.undo}
            onRedo={edits.redo}
          />
          {shown.length > 1 && (
            <label className="flex items-center gap-1.5 text-12">
              <input
                type="checkbox"
                checked={fades}
                onChange={(event) => setFades(event.target.checked)}
                className="accent-plum"
              />
              {base ? wording.fadeWhatEachShares(base.letter) : wording.fadeWhatAllShare(shown.length)}
            </label>
          )}
          {base && (
            <Button look="main" onClick={() => chooseLane(base)}>
              {wording.chooseLetter(base.letter)}
            </Button>
          )}
        </div>
      </header>
      {problem !== null && (
        <p role="alert" className="border-b border-brick bg-sheet px-4 py-1.5 text-12 text-brick">
          {problem}
        </p>
      )}
      <Against lanes={board.lanes} />
      <Lanes axis={board.axis} lanes={board.lanes} weekCount={term.weeks} isFaded={isFaded} />
      <LanesTable axis={board.axis} lanes={board.lanes} isFaded={isFaded} />
      {lanes.length === 1 && <p className="px-4 pt-2 text-mute">{wording.addSecondTimetableAndHeld}</p>}
      {board.compared.isError && (
        <p role="alert" className="px-4 pt-2 text-brick">
          {wording.couldNotBeCompared(board.compared.error.message)}
          <Button look="quiet" onClick={() => void board.compared.refetch()}>
            {common.tryAgain}
          </Button>
        </p>
      )}
      {comparison && isComparisonOfThese && (
        <>
          <MeasureTable
            lanes={comparable}
            comparison={comparison}
            baseline={base?.letter ?? null}
            sections={board.sections}
          />
          <Pairs lanes={comparable} comparison={comparison} baseline={base?.letter ?? null} />
        </>
      )}
      <Survivals lanes={board.lanes} sections={board.sections} />
    </main>
  );
}
