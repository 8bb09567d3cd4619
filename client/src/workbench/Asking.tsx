import { memo, type Ref } from 'react';
import type { Answer, Sketch, TimeBlock } from '@/api/client';
import type { Colour } from '@/grid/classes';
import { SketchNews } from '@/domain/SketchNews';
import { addCourse } from '@/domain/edits';
import { SavedState } from '@/domain/SavedState';
import { UndoRedo } from '@/domain/UndoRedo';
import type { Sections } from '@/domain/useSections';
import type { Edits } from '@/domain/useSketchEdits';
import { AddCourse } from './AddCourse';
import { CreditsNote } from './CreditsNote';
import { Heading } from './Heading';
import { RuleList } from './RuleList';
import { DeletedSketch } from './DeletedSketch';
import { SketchMenu } from './SketchMenu';
import type { Details } from './useDetails';
import { WantedList } from './WantedList';
import { wording } from '@/wording/workbench/Asking';

type Props = {
  sketch: Sketch;
  answer: Answer | null;
  details: Details;
  edits: Edits;
  sections: Sections;
  colours: Map<string, Colour>;
  inputRef: Ref<HTMLInputElement>;
  openCourse: string | null;
  onOpenCourse: (course: string | null) => void;
  without: string | null;
  onWithout: (course: string | null) => void;
  onPointSection: (number: string | null) => void;
  onOpenBlock: (block: TimeBlock | 'new') => void;
  onCalendar: (file: File) => void;
  onShowKeys: () => void;
};

/** What I ask: wanted courses and rules. */
export const Asking = memo(function Asking(props: Props) {
  const { sketch, answer, details, edits, sections, colours, inputRef } = props;
  const { ask } = sketch;
  const { change } = edits;
  return (
    <div className="flex min-h-full flex-col">
      <div className="mb-2 flex flex-wrap items-center gap-x-1.5">
        <SketchMenu sketch={sketch} edits={edits} />
        <SavedState edits={edits} className="mr-auto" />
        <UndoRedo sketch={sketch} edits={edits} />
      </div>
      <DeletedSketch term={sketch.term} />
      <SketchNews sketch={sketch} edits={edits} />
      <Heading name={wording.wanted} aside="" />
      <AddCourse
        term={sketch.term}
        wanted={ask.wanted.map((wanted) => wanted.course)}
        onAdd={(course) => change((now) => addCourse(now, course))}
        inputRef={inputRef}
      />
      <WantedList
        ask={ask}
        answer={answer}
        details={details}
        sections={sections}
        colours={colours}
        open={props.openCourse}
        onOpen={props.onOpenCourse}
        without={props.without}
        onWithout={props.onWithout}
        onPointSection={props.onPointSection}
        change={change}
      />
      <CreditsNote ask={ask} sections={sections} />
      {details.areTooMany && <p className="mt-2 text-12 text-mute">{wording.tooManyTimetablesToSay}</p>}
      <RuleList
        sketch={sketch}
        edits={edits}
        costs={details.costs}
        leastCosts={details.leastCosts}
        onOpenBlock={props.onOpenBlock}
        onCalendar={props.onCalendar}
      />
      <button
        type="button"
        onClick={props.onShowKeys}
        className="mt-auto self-start pt-3 text-12 text-mute hover:text-ink max-md:hidden"
      >
        {wording.keys}
        <kbd className="rounded-[3px] border border-rule px-1 font-sans">?</kbd>
      </button>
    </div>
  );
});
