import { type ReactNode, useEffect, useRef } from 'react';
import { useIsNarrow } from '@/lib/useIsNarrow';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { wording } from '@/wording/workbench/AskingPane';

type Props = {
  sketchName: string;
  /** What is to be said while the sheet of a phone is closed; what it holds says it where there is room. */
  note: ReactNode;
  /** Whether the figures in it wait for a newer answer. */
  isBusy: boolean;
  /** Whether the sheet that holds it on a phone is open. */
  isOpen: boolean;
  onOpenChange: (open: boolean) => void;
  /** Stands in its place, with the grid in view; null for nothing. */
  instead: ReactNode;
  children: ReactNode;
};

/** What I ask: beside the grid, or on a phone in a sheet over it. */
export function AskingPane({ sketchName, note, isBusy, isOpen, onOpenChange, instead, children }: Props) {
  const isNarrow = useIsNarrow();
  const pane = useRef<HTMLElement>(null);
  const isInstead = instead !== null;
  const wasInstead = useRef(isInstead);
  useEffect(() => {
    // What had the focus is gone with what stood here; it goes on from the same place.
    if (wasInstead.current && !isInstead) pane.current?.focus();
    wasInstead.current = isInstead;
  }, [isInstead]);
  if (!isNarrow)
    return (
      <aside
        ref={pane}
        tabIndex={-1}
        aria-label={wording.whatAsk}
        aria-busy={isBusy}
        className="w-[316px] shrink-0 overflow-y-auto border-r border-rule bg-sheet px-3.5 py-3 print:hidden"
      >
        {instead ?? children}
      </aside>
    );
  if (instead)
    return (
      <aside
        aria-label={wording.whatAsk}
        className="max-h-[45dvh] shrink-0 overflow-y-auto border-b border-rule bg-sheet px-3 py-3 print:hidden"
      >
        {instead}
      </aside>
    );
  return (
    <>
      <aside
        ref={pane}
        tabIndex={-1}
        aria-label={wording.whatAsk}
        className="border-b border-rule bg-sheet px-3 py-2 print:hidden"
      >
        <div className="flex items-center justify-between">
          <span className="truncate font-heavy">{sketchName}</span>
          <Button className="shrink-0" onClick={() => onOpenChange(true)}>
            {wording.coursesAndRules}
          </Button>
        </div>
        {!isOpen && <div className="mt-1 empty:hidden">{note}</div>}
      </aside>
      <Dialog sheet open={isOpen} onOpenChange={onOpenChange} title={wording.coursesAndRules}>
        {children}
      </Dialog>
    </>
  );
}
