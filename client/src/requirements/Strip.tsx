import type { Requirements } from '@/api/client';
import { UndoRedoButtons } from '@/ui/UndoRedoButtons';
import { SavedState } from '@/domain/SavedState';
import type { PlanEdits } from '@/domain/usePlan';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { Scroller } from '@/ui/Scroller';
import { EndInSight } from './EndInSight';
import { PlanMenu } from './PlanMenu';
import { StripTermColumn } from './StripTermColumn';
import type { DoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/Strip';
import { common } from '@/wording/common';

type Props = {
  visit: TermVisit;
  data: Requirements;
  programme: string | null;
  plans: PlanEdits;
  here: DoneHere;
};

/** Terms ahead: past terms, this one and the next, with what stands in each. */
export function Strip({ visit, data, programme, plans, here }: Props) {
  const ahead = data.terms.filter((term) => term.number > 0);
  return (
    <section
      aria-labelledby="terms-ahead"
      className="flex h-[208px] shrink-0 border-t border-rule bg-paper max-md:h-auto max-md:flex-col"
    >
      <div className="flex w-[240px] shrink-0 flex-col overflow-y-auto border-r border-rule px-3 py-2 max-md:w-full max-md:border-r-0">
        <div className="flex items-center gap-1">
          <h2 id="terms-ahead" className="font-heavy whitespace-nowrap">
            {wording.termsAhead}
          </h2>
          <span className="ml-auto flex items-center">
            <UndoRedoButtons
              canUndo={plans.canUndo}
              canRedo={plans.canRedo}
              onUndo={plans.undo}
              onRedo={plans.redo}
            />
            <PlanMenu here={here} />
          </span>
        </div>
        <SavedState edits={plans} />
        <div className="flex flex-wrap items-baseline gap-x-2 text-12">
          <p role="status">{here.said}</p>
          {here.said !== null && (
            <Button look="quiet" className="-ml-px !px-0 !py-0 text-12" onClick={here.undo}>
              {common.undo}
            </Button>
          )}
        </div>
        {programme !== null && <EndInSight term={visit.term.id} programme={programme} here={here} />}
      </div>
      <Scroller
        label={wording.terms}
        className="flex min-w-0 flex-1 focus-visible:-outline-offset-2"
        onShown={toThisTerm}
      >
        {data.terms.map((term) => (
          <StripTermColumn
            key={term.id}
            term={term}
            ahead={ahead}
            maximum={data.maximum}
            visit={visit}
            plan={plans.plan}
            here={here}
          />
        ))}
      </Scroller>
    </section>
  );
}

/** The term before this one comes first into view: what is past lies further left. */
function toThisTerm(scroller: HTMLElement | null) {
  if (!scroller) return;
  const columns = [...scroller.children].filter((child) => child instanceof HTMLElement);
  const current = columns.findIndex((column) => column.dataset.number === '1');
  const first = columns[Math.max(0, current - 1)];
  if (first && columns[0]) scroller.scrollLeft = first.offsetLeft - columns[0].offsetLeft;
}
