import { Bookmark, BookmarkCheck, List, Printer } from 'lucide-react';
import type { Ranked, Sketch } from '@/api/client';
import { ExportMenu } from '@/domain/ExportMenu';
import type { Sections } from '@/domain/useSections';
import { MenuItem } from '@/ui/Menu';
import type { ShortlistActions } from './useShortlist';
import { wording } from '@/wording/workbench/GridTools';

type Props = {
  sketch: Sketch;
  inView: Ranked | null;
  byHand: boolean;
  onByHand: (byHand: boolean) => void;
  shortlist: ShortlistActions;
  sections: Sections;
};

/** What can be done with the timetable in view: put it by, build on, print and export it. */
export function GridTools({ sketch, inView, byHand, onByHand, shortlist, sections }: Props) {
  const { here } = shortlist;
  const putBy = sketch.shortlist.length;
  return (
    <div className="flex items-center gap-1.5 print:hidden">
      <div className="flex">
        {inView && !byHand && (
          <button
            type="button"
            aria-pressed={here !== undefined}
            aria-label={wording.putTimetableOnShortlist}
            title={here ? wording.onShortlist(here.name) : wording.putTimetableOnShortlistS}
            onClick={shortlist.putBy}
            className="-mr-px rounded-l-[4px] border border-rule bg-sheet p-1.5 hover:border-ink aria-pressed:text-plum"
          >
            {here ? (
              <BookmarkCheck size={15} aria-hidden="true" />
            ) : (
              <Bookmark size={15} aria-hidden="true" />
            )}
          </button>
        )}
        <button
          type="button"
          onClick={shortlist.open}
          title={wording.showShortlistShiftS}
          className="rounded-[4px] border border-rule bg-sheet px-2 py-1 text-12 font-strong whitespace-nowrap not-first:rounded-l-none hover:border-ink"
        >
          <span className="max-[1439px]:sr-only">{wording.shortlist}</span>{' '}
          {putBy > 0 ? putBy : <List size={15} className="min-[1440px]:hidden" aria-hidden="true" />}
        </button>
      </div>
      <button
        type="button"
        aria-pressed={byHand}
        onClick={() => onByHand(!byHand)}
        title={wording.showOnlySectionsKeep}
        className="rounded-[4px] border border-rule bg-sheet px-2 py-1 text-12 font-strong whitespace-nowrap hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-sheet"
      >
        {wording.byHand}
      </button>
      {inView && !byHand ? (
        <ExportMenu
          term={sketch.term}
          name={here?.name ?? wording.weekShape(inView.rank)}
          numbers={inView.sections}
          sections={sections}
          trigger={
            <button
              type="button"
              aria-label={wording.printOrExportTimetable}
              title={wording.printOrExportTimetable}
              className="rounded-[4px] border border-rule bg-sheet p-1.5 hover:border-ink"
            >
              <Printer size={15} aria-hidden="true" />
            </button>
          }
        >
          <MenuItem onSelect={() => window.print()}>{wording.printP}</MenuItem>
        </ExportMenu>
      ) : null}
    </div>
  );
}
