import { LaneLetter } from './LaneLetter';
import type { BoardLane } from './useBoard';

/** How each survives a section filling up, in a sentence. */
export function Survivals({ lanes }: { lanes: readonly BoardLane[] }) {
  const told = lanes.flatMap((lane) => (lane.survival ? [{ lane, survival: lane.survival }] : []));
  if (told.length === 0) return null;
  return (
    <section aria-label="If a section fills" className="px-4 pb-5">
      <h2 className="mb-1 text-14 font-heavy">If a section fills</h2>
      <ul>
        {told.map(({ lane, survival }) => (
          <li key={lane.letter} className="flex gap-2 py-1">
            <LaneLetter lane={lane} isSmall />
            <span>
              <span className="sr-only">{lane.letter}: </span>
              {survival.summary}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
