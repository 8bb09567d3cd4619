import type { ComponentProps } from 'react';
import type { Ask, Term } from '@/api/client';
import { HourGrid } from '@/grid/HourGrid';
import { NoHours } from './NoHours';
import { PrintSections } from './PrintSections';
import type { useGridView } from './useGridView';
import { WeekStrip } from './WeekStrip';
import { wording } from '@/wording/workbench/SketchWeek';

type Grid = ComponentProps<typeof HourGrid>;

type Props = Omit<
  Grid,
  'axis' | 'classes' | 'weekCount' | 'kept' | 'blocks' | 'breaks' | 'clashes' | 'outlines'
> & {
  term: Term;
  ask: Ask;
  view: ReturnType<typeof useGridView>;
  week: number | null;
  onWeek: (week: number | null) => void;
  /** A calendar file was dropped on the week. */
  onCalendar: (file: File) => void;
};

/** The week in view, with the hours taken out of it, and the weeks of the term under it. */
export function SketchWeek({ term, ask, view, week, onWeek, onCalendar, ...grid }: Props) {
  return (
    <div
      className="flex min-h-[380px] flex-1 flex-col overflow-auto pb-2 print:overflow-visible"
      onDragOver={(event) => event.dataTransfer.types.includes(wording.files) && event.preventDefault()}
      onDrop={(event) => {
        const file = event.dataTransfer.files[0];
        if (!file) return;
        event.preventDefault();
        onCalendar(file);
      }}
    >
      <HourGrid
        {...grid}
        axis={view.axis}
        classes={view.classes}
        weekCount={term.weeks}
        kept={view.kept}
        blocks={ask.timeBlocks}
        breaks={ask.breaks}
        clashes={view.clashes}
        outlines={view.outlines}
      />
      <NoHours sections={view.inGrid} />
      <WeekStrip term={term} week={week} onWeek={onWeek} />
      <PrintSections sections={view.inGrid} />
    </div>
  );
}
