import type { Sketch } from '@/api/client';
import { ChangedSections } from './ChangedSections';
import type { Edits } from './useSketchEdits';
import { wording } from '@/wording/domain/SketchNews';
import { common } from '@/wording/common';

type Props = { sketch: Sketch; edits: Edits };

const mostNamed = 5;

/** What became of the sketch without its student: what newer catalogues changed, and what can no longer be read. */
export function SketchNews({ sketch, edits }: Props) {
  return (
    <>
      <ChangedSections sketch={sketch} edits={edits} />
      <DroppedParts sketch={sketch} />
    </>
  );
}

function DroppedParts({ sketch: { dropped } }: { sketch: Sketch }) {
  if (dropped.length === 0) return null;
  return (
    <div role="alert" className="border border-gold bg-sheet px-3 py-2 text-12">
      <p className="font-heavy">{wording.someOfSketchCanNo}</p>
      <ul>
        {dropped.slice(0, mostNamed).map(({ path, found, expected }) => (
          <li key={path} className="break-words">
            {wording.whereExpected(path, found, expected)}
          </li>
        ))}
      </ul>
      {dropped.length > mostNamed && <p>{common.andMore(dropped.length - mostNamed)}</p>}
      <p className="text-mute">{wording.nextChangeSavesSketchWithout}</p>
    </div>
  );
}
