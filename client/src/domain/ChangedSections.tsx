import type { Sketch } from '@/api/client';
import { Button } from '@/ui/Button';
import { letGo } from './edits';
import type { Edits } from './useSketchEdits';
import { wording } from '@/wording/domain/ChangedSections';
type Props = { sketch: Sketch; edits: Edits };

/** The sections that a sketch keeps and that are gone. */
export function goneFrom(sketch: Sketch) {
  return sketch.sectionChanges.filter((one) => one.isGone);
}

/** Says which sections that the sketch holds on to a newer catalogue took away or moved. */
export function ChangedSections({ sketch, edits }: Props) {
  const { sectionChanges } = sketch;
  if (sectionChanges.length === 0) return null;
  return (
    <div role="alert" className="border border-gold bg-sheet px-3 py-2 text-12">
      <p className="font-heavy">{wording.catalogueChanged}</p>
      <ul>
        {sectionChanges.map((one) => (
          <li key={one.number}>
            {wording.whichKeep(
              one.course,
              one.label,
              one.number,
              one.isGone ? wording.notOfferedAnyMore : wording.meetsAtOtherHoursNow,
            )}
          </li>
        ))}
      </ul>
      <div className="mt-1.5 flex gap-2">
        {goneFrom(sketch).length > 0 ? (
          <LetGo sketch={sketch} edits={edits} />
        ) : (
          // What is gone must not be kept before anything else can be answered.
          <Button onClick={edits.readChanges}>{wording.iHaveSeenIt}</Button>
        )}
      </div>
    </div>
  );
}

export function LetGo({ sketch, edits }: Props) {
  const numbers = goneFrom(sketch).map((one) => one.number);
  return (
    <Button onClick={() => edits.change((ask) => letGo(ask, numbers))}>{wording.stopKeepingWhatGone}</Button>
  );
}
