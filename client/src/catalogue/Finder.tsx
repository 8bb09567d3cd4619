import { useMemo, useRef, useState } from 'react';
import type { Facets, Sketch, Term } from '@/api/client';
import { useIsNarrow } from '@/lib/useIsNarrow';
import { SketchNews } from '@/domain/SketchNews';
import { useCampusNames } from '@/domain/useCampusNames';
import { UndoRedo } from '@/domain/UndoRedo';
import { useSubjectNames } from '@/domain/useSubjectNames';
import { useSketchEdits } from '@/domain/useSketchEdits';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { CoursePanel } from './CoursePanel';
import { Hidden } from './Hidden';
import type { Names } from './narrowing';
import { NarrowSentence } from './NarrowSentence';
import { Offers } from './Offers';
import { PasteNumbers } from './PasteNumbers';
import { ResultList } from './ResultList';
import { Subjects } from './Subjects';
import { useFinderKeys } from './useFinderKeys';
import { useFound } from './useFound';
import { useSearchState } from './useSearchState';
import { wording } from '@/wording/catalogue/Finder';
import { common } from '@/wording/common';

type Props = { term: Term; sketch: Sketch; facets: Facets };

/** The box, the narrowing in words, what is found, and the course that is open. */
export function Finder({ term, sketch, facets }: Props) {
  const state = useSearchState();
  const box = useRef<HTMLInputElement>(null);
  const results = useRef<HTMLDivElement>(null);
  const [pasting, setPasting] = useState(false);
  const [browsing, setBrowsing] = useState(false);
  const isNarrow = useIsNarrow();
  const campus = useCampusNames();
  const subject = useSubjectNames();
  const names = useMemo<Names>(
    () => ({
      campus,
      subject,
      part: (id) =>
        id === 'whole' ? wording.wholeTerm : (term.parts.find((part) => part.id === id)?.name ?? id),
    }),
    [campus, subject, term],
  );
  const edits = useSketchEdits(sketch);
  const found = useFound(term.id, sketch.ask, state);
  useFinderKeys({ box, undo: edits.undo, redo: edits.redo });

  const { browse } = state;

  const panel = state.course && (
    <CoursePanel
      key={state.course}
      term={term}
      id={state.course}
      sketch={sketch}
      change={edits.change}
      onSubject={browse}
    />
  );

  return (
    <main className="flex min-h-0 flex-1 flex-col bg-paper max-md:h-[calc(100dvh-50px)] max-md:flex-none">
      <h1 className="sr-only">{wording.catalogueTerm(term.name)}</h1>
      <div className="border-b border-rule bg-sheet px-4 pt-3 pb-2">
        <div className="flex gap-2 max-md:flex-wrap">
          <input
            ref={box}
            type="search"
            value={state.words}
            onChange={(event) => state.setWords(event.target.value)}
            onKeyDown={(event) => {
              if (event.key !== 'ArrowDown' && event.key !== 'Enter') return;
              event.preventDefault();
              results.current?.querySelector<HTMLElement>('[data-result]')?.focus();
            }}
            maxLength={200}
            autoComplete="off"
            spellCheck={false}
            aria-label={wording.findCourses}
            placeholder={wording.findCourseCodeTitleSubject}
            className="min-w-0 flex-1 rounded-[4px] border border-rule bg-sheet px-3 py-1.5 text-16 text-ellipsis placeholder:text-mute focus:border-plum max-md:basis-full max-md:text-14"
          />
          <div className="flex shrink-0 items-center max-md:hidden">
            <UndoRedo sketch={sketch} edits={edits} />
          </div>
          <Button onClick={() => setBrowsing(true)} className="shrink-0 max-md:flex-1 md:hidden">
            {wording.subjects}
          </Button>
          <Button onClick={() => setPasting(true)} className="shrink-0 max-md:flex-1">
            {wording.pasteNumbers}
          </Button>
        </div>
        <Offers state={state} offers={found.offers} names={names} />
        <div className="mt-2 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
          <NarrowSentence state={state} facets={facets} term={term} names={names} />
          <Hidden state={state} found={found} names={names} notOffered={facets.notOffered} />
        </div>
      </div>
      <SketchNews sketch={sketch} edits={edits} />
      <div ref={results} className="flex min-h-0 flex-1">
        <ResultList state={state} found={found} ask={sketch.ask} names={names} />
        {!isNarrow && (
          <aside
            aria-label={panel ? common.course : wording.subjects}
            className="flex w-[min(472px,45%)] shrink-0 flex-col border-l border-rule bg-sheet"
          >
            {panel ?? (
              <Subjects facets={facets} names={names} chosen={state.values('subject')} onChoose={browse} />
            )}
          </aside>
        )}
      </div>
      {isNarrow && (
        <Dialog
          sheet
          open={state.course !== null}
          onOpenChange={(open) => !open && state.open(null)}
          title={common.course}
        >
          <div className="flex justify-end">
            <UndoRedo sketch={sketch} edits={edits} />
          </div>
          {panel}
        </Dialog>
      )}
      {browsing && (
        <Dialog sheet open onOpenChange={() => setBrowsing(false)} title={wording.subjects}>
          <Subjects
            facets={facets}
            names={names}
            chosen={state.values('subject')}
            onChoose={(code) => {
              setBrowsing(false);
              browse(code);
            }}
          />
        </Dialog>
      )}
      {pasting && (
        <PasteNumbers term={term} ask={sketch.ask} change={edits.change} onClose={() => setPasting(false)} />
      )}
    </main>
  );
}
