import { type DragEvent, useState } from 'react';
import type { Ask, Plan, StripTerm } from '@/api/client';
import { eitherOrOf, takenBeside } from '@/domain/edits';
import type { TermVisit } from '@/domain/useTermVisit';
import { AddToTerm } from './AddToTerm';
import { dragType, moveTo } from './planEdits';
import { StripEntryCard } from './StripEntryCard';
import type { DoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/StripTermColumn';

type Props = {
  term: StripTerm;
  /** This term and those ahead. */
  ahead: readonly StripTerm[];
  maximum: number | null;
  visit: TermVisit;
  plan: Plan;
  here: DoneHere;
};

/** A term with what stands in it; what is planned can be dropped here. */
export function StripTermColumn({ term, ahead, maximum, visit, plan, here }: Props) {
  const [isOver, setIsOver] = useState(false);
  const isAhead = term.number > 0;
  const isThis = term.number === 1;
  const standing = new Set(term.entries.map((entry) => entry.course));
  const inSketch = isThis ? askedFor(visit.sketch.ask).filter((name) => !standing.has(name)) : [];
  const drop = (event: DragEvent<HTMLElement>) => {
    const id = event.dataTransfer.getData(dragType);
    setIsOver(false);
    if (id === '') return;
    event.preventDefault();
    here.changePlan(wording.movedTo(term.name), (now) => moveTo(now, id, term.id));
  };
  return (
    <section
      aria-label={term.name}
      data-number={term.number}
      onDragOver={(event) => {
        if (!isAhead || !event.dataTransfer.types.includes(dragType)) return;
        event.preventDefault();
        setIsOver(true);
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={isAhead ? drop : undefined}
      className={`flex w-[178px] shrink-0 flex-col gap-1 overflow-y-auto border-r border-hair px-2 py-2 ${
        isOver ? 'bg-plum-wash' : isThis ? 'bg-sheet shadow-[inset_0_2px_0_var(--plum)]' : ''
      }`}
    >
      <h3 className="flex min-h-6 items-center gap-1.5 text-12">
        <span className={`truncate ${isAhead ? 'font-strong' : 'text-mute'}`}>{term.name}</span>
        {term.credits > 0 && (
          <span className={`whitespace-nowrap ${term.isOver ? 'font-strong text-brick' : 'text-mute'}`}>
            {term.isOver && maximum !== null
              ? wording.creditsOver(term.credits, maximum)
              : wording.credits(term.credits)}
          </span>
        )}
        {isAhead && <AddToTerm term={term} offeredIn={visit.term.id} here={here} />}
      </h3>
      {term.entries.length > 0 && (
        <ul className="grid gap-1">
          {term.entries.map((entry, i) => (
            <StripEntryCard
              key={entry.id ?? `${entry.course} ${i}`}
              entry={entry}
              term={term}
              ahead={ahead}
              visit={visit}
              plan={plan}
              here={here}
            />
          ))}
        </ul>
      )}
      {inSketch.length > 0 && (
        <p className="text-11 leading-tight text-mute">
          {wording.inSketch(visit.sketch.name, inSketch.join(', '))}
        </p>
      )}
    </section>
  );
}

/** The courses that a sketch asks for; of a requirement its name. */
function askedFor(ask: Ask): string[] {
  const names = takenBeside(ask).map((course) => eitherOrOf(ask, course)?.label || course);
  return [...new Set(names)];
}
