import type { Sketch } from '@/api/client';
import { ChangedSections } from '@/sketch/ChangedSections';
import type { useSketchEdits } from '@/sketch/useSketchEdits';
import { Button } from '@/ui/Button';

type Props = { edits: ReturnType<typeof useSketchEdits>; sketch: Sketch };

/** Says when a change to the sketch was not saved, or when the catalogue changed under it. */
export function SketchNotice({ edits, sketch }: Props) {
  if (!edits.notice) return <ChangedSections sketch={sketch} edits={edits} />;
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 border-b border-brick bg-sheet px-4 py-2 text-14"
    >
      <span>
        {sketch.name}: {edits.notice.text}
      </span>
      {edits.notice.canRetry && <Button onClick={edits.retry}>Try again</Button>}
      <Button look="quiet" onClick={edits.forgetNotice}>
        Dismiss
      </Button>
    </div>
  );
}
