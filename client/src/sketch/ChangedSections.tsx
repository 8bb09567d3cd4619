import type { Sketch } from '@/api/client';
import { Button } from '@/ui/Button';
import { letGo } from './edits';
import type { useSketchEdits } from './useSketchEdits';

type Props = { sketch: Sketch; edits: ReturnType<typeof useSketchEdits> };

/** Says which sections that the sketch holds on to a newer catalogue took away or moved. */
export function ChangedSections({ sketch, edits }: Props) {
  const { sectionChanges } = sketch;
  if (sectionChanges.length === 0) return null;
  const gone = sectionChanges.filter((one) => one.isGone);
  return (
    <div role="alert" className="border border-gold px-2.5 py-2 text-12">
      <p className="font-heavy">The catalogue has changed.</p>
      <ul>
        {sectionChanges.map((one) => (
          <li key={one.number}>
            {one.course} {one.label} ({one.number}), which you keep,{' '}
            {one.isGone ? 'is not offered any more.' : 'meets at other hours now.'}
          </li>
        ))}
      </ul>
      <div className="mt-1.5 flex gap-2">
        {gone.length > 0 && (
          <Button
            onClick={() =>
              edits.change((ask) =>
                letGo(
                  ask,
                  gone.map((one) => one.number),
                ),
              )
            }
          >
            Let go of what is gone
          </Button>
        )}
        <Button look="quiet" onClick={edits.readChanges}>
          I have seen it
        </Button>
      </div>
    </div>
  );
}
