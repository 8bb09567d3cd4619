import type { Ref } from 'react';
import type { Sketch } from '@/api/client';
import type { Colour } from '@/grid/classes';
import { Button } from '@/ui/Button';
import { AddCourse } from './AddCourse';
import { BlockList } from './BlockList';
import { ChangedSections } from '@/sketch/ChangedSections';
import { addCourse, removeCourse, setBlocks, setRole } from '@/sketch/edits';
import type { Sections } from '@/sketch/useSections';
import { UndoRedo } from '@/sketch/UndoRedo';
import type { useSketchEdits } from '@/sketch/useSketchEdits';
import type { Walk } from '@/sketch/useWalk';
import { WantedList } from './WantedList';

type Props = {
  sketch: Sketch;
  walk: Walk;
  edits: ReturnType<typeof useSketchEdits>;
  sections: Sections;
  colours: Map<string, Colour>;
  inputRef: Ref<HTMLInputElement>;
  onOpenBlock: (index: number | 'new') => void;
  onShowKeys: () => void;
};

/** What I ask: wanted courses and rules. */
export function Asking(props: Props) {
  const { sketch, walk, edits, sections, colours, inputRef, onOpenBlock, onShowKeys } = props;
  const { ask } = sketch;
  const { change } = edits;
  return (
    <div className="flex min-h-full flex-col">
      <div className="mb-2 flex items-center gap-1">
        <h2 className="text-16 font-heavy">{sketch.name}</h2>
        <SaveState saving={edits.saving} failed={edits.notice?.canRetry ?? false} />
        <UndoRedo sketch={sketch} edits={edits} />
      </div>
      {edits.notice && (
        <div role="alert" className="mb-2 rounded-[4px] border border-brick px-2.5 py-2 text-12">
          <p>{edits.notice.text}</p>
          <div className="mt-1.5 flex gap-2">
            {edits.notice.canRetry && <Button onClick={edits.retry}>Try again</Button>}
            <Button look="quiet" onClick={edits.forgetNotice}>
              Dismiss
            </Button>
          </div>
        </div>
      )}
      <ChangedSections sketch={sketch} edits={edits} />
      <Heading name="Wanted" aside={sayTakenCredits(ask.wanted, sections)} />
      <AddCourse
        term={sketch.term}
        wanted={ask.wanted.map((wanted) => wanted.course)}
        onAdd={(course) => change((now) => addCourse(now, course))}
        inputRef={inputRef}
      />
      <WantedList
        ask={ask}
        answer={walk.answer}
        sections={sections}
        colours={colours}
        onRole={(course, role) => change((now) => setRole(now, course, role))}
        onRemove={(course) => change((now) => removeCourse(now, course))}
      />
      <Heading name="Hours you can’t" aside="" />
      <BlockList
        blocks={ask.timeBlocks}
        onOpen={onOpenBlock}
        onRemove={(index) => change((now) => setBlocks(now, now.timeBlocks.toSpliced(index, 1)))}
      />
      {ask.timeBlocks.length === 0 && (
        <p className="py-1.5 text-12 text-mute max-md:hidden">
          Drag along a day on the grid, or type the hours.
        </p>
      )}
      <button
        type="button"
        onClick={() => onOpenBlock('new')}
        className="self-start py-2 font-strong text-plum hover:underline"
      >
        + Take hours out
      </button>
      <button
        type="button"
        onClick={onShowKeys}
        className="mt-auto self-start pt-3 text-12 text-mute hover:text-ink max-md:hidden"
      >
        Keys <kbd className="rounded-[3px] border border-rule px-1 font-sans">?</kbd>
      </button>
    </div>
  );
}

function Heading({ name, aside }: { name: string; aside: string }) {
  return (
    <div className="mt-3 mb-1.5 flex items-center gap-2 text-12">
      <h3 className="font-heavy">{name}</h3>
      <span className="h-px flex-1 bg-hair" />
      {aside !== '' && <span className="text-mute">{aside}</span>}
    </div>
  );
}

function sayTakenCredits(wanted: Sketch['ask']['wanted'], sections: Sections): string {
  const taken = wanted
    .filter((one) => one.role !== 'setAside')
    .flatMap((one) => sections.courses.get(one.course) ?? []);
  if (taken.length === 0) return '';
  const min = taken.reduce((sum, course) => sum + course.minCredits, 0);
  const max = taken.reduce((sum, course) => sum + course.maxCredits, 0);
  return `${taken.length} taken · ${min === max ? min : `${min}–${max}`} credits`;
}

function SaveState({ saving, failed }: { saving: boolean; failed: boolean }) {
  return (
    <span className="mr-auto ml-1 text-12 text-mute" role="status">
      {saving ? 'Saving' : failed ? 'Not saved' : 'Saved'}
    </span>
  );
}
