import { useMemo, useRef, useState } from 'react';
import type { Ask, Sketch, Term, TimeBlock } from '@/api/client';
import { axisFor } from '@/grid/axis';
import { hoursOfBlock } from '@/grid/blocks';
import { classesOf } from '@/grid/classes';
import type { BlocksDraft } from '@/grid/useBlockDrag';
import { daysOf } from '@/lib/days';
import { useIsNarrow } from '@/lib/useIsNarrow';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { Asking } from './Asking';
import { BlockForm } from './BlockForm';
import { setBlocks } from '@/sketch/edits';
import { KeysHelp } from './KeysHelp';
import { Possible } from './Possible';
import { useCourseColours } from '@/sketch/useCourseColours';
import { useSections } from '@/sketch/useSections';
import { useShortcuts } from './useShortcuts';
import { useSketchEdits } from '@/sketch/useSketchEdits';
import { useWalk } from '@/sketch/useWalk';

type Props = { term: Term; sketch: Sketch };

/** One sketch on the Workbench: what I ask on the left, what is possible on the right. */
export function Desk({ term, sketch }: Props) {
  const [draft, setDraft] = useState<Ask | null>(null);
  const [openBlock, setOpenBlock] = useState<number | 'new' | null>(null);
  const [keysShown, setKeysShown] = useState(false);
  const [askingShown, setAskingShown] = useState(false);
  const findCourse = useRef<HTMLInputElement>(null);
  const isNarrow = useIsNarrow();

  const walk = useWalk(sketch.id, draft ?? sketch.ask);
  const edits = useSketchEdits(term.id, walk.held);
  const { ask } = sketch;
  const colours = useCourseColours(
    sketch.id,
    ask.wanted.map((wanted) => wanted.course),
  );
  const sections = useSections(term.id, colours);

  const axis = useMemo(() => {
    const all = classesOf([...sections.byNumber.values()]);
    const blocks = ask.timeBlocks.flatMap((block) =>
      daysOf(block.days).map((day) => ({ day, ...hoursOfBlock(block) })),
    );
    return axisFor([...all, ...blocks]);
  }, [sections, ask.timeBlocks]);

  const keepBlocks = (blocks: readonly TimeBlock[]) => edits.change((now) => setBlocks(now, blocks));

  // The sheet of a phone gives the focus to its first field by itself.
  const goToCourses = () => {
    if (isNarrow) setAskingShown(true);
    else findCourse.current?.focus();
  };

  useShortcuts({
    findCourse: goToCourses,
    previous: () => walk.step(-1),
    next: () => walk.step(1),
    previousShape: () => walk.goToShape(-1),
    nextShape: () => walk.goToShape(1),
    first: () => walk.go(0n),
    last: () => walk.go(BigInt(walk.answer?.timetables ?? 0) - 1n),
    undo: edits.undo,
    redo: edits.redo,
    showKeys: () => setKeysShown(true),
  });

  const asking = (
    <Asking
      sketch={sketch}
      walk={walk}
      edits={edits}
      sections={sections}
      colours={colours}
      inputRef={findCourse}
      onOpenBlock={setOpenBlock}
      onShowKeys={() => setKeysShown(true)}
    />
  );

  return (
    <div className="flex min-h-0 flex-1 max-md:flex-col">
      {isNarrow ? (
        <aside
          aria-label="What I ask"
          className="flex items-center justify-between border-b border-rule bg-sheet px-3 py-2"
        >
          <span className="font-heavy">{sketch.name}</span>
          <Button onClick={() => setAskingShown(true)}>Courses and hours</Button>
        </aside>
      ) : (
        <aside
          aria-label="What I ask"
          className="w-[316px] shrink-0 overflow-y-auto border-r border-rule bg-sheet px-3.5 py-3"
        >
          {asking}
        </aside>
      )}
      {isNarrow && (
        <Dialog sheet open={askingShown} onOpenChange={setAskingShown} title="Courses and hours">
          {asking}
        </Dialog>
      )}

      <Possible
        term={term}
        walk={walk}
        ask={ask}
        sections={sections}
        axis={axis}
        blocks={ask.timeBlocks}
        isDrafting={draft !== null}
        sketch={sketch}
        edits={edits}
        onDraft={(next: BlocksDraft | null) => setDraft(next && setBlocks(ask, next.blocks))}
        onBlocks={keepBlocks}
        onOpenBlock={setOpenBlock}
        onFindCourse={goToCourses}
      />

      {openBlock !== null && (
        <BlockForm
          block={openBlock === 'new' ? null : (ask.timeBlocks[openBlock] ?? null)}
          onSave={(block) =>
            keepBlocks(
              openBlock === 'new' ? [...ask.timeBlocks, block] : ask.timeBlocks.with(openBlock, block),
            )
          }
          onRemove={openBlock === 'new' ? null : () => keepBlocks(ask.timeBlocks.toSpliced(openBlock, 1))}
          onClose={() => setOpenBlock(null)}
        />
      )}
      {keysShown && <KeysHelp onClose={() => setKeysShown(false)} />}
    </div>
  );
}
