import { rulesOf } from '@/domain/rules';
import { sayBroken } from '@/domain/sayBroken';
import { useCampusNames } from '@/domain/useCampusNames';
import type { BoardLane } from './useBoard';

/** What stands against the timetables, each thing once with the letters of those it concerns. */
export function Against({ lanes }: { lanes: readonly BoardLane[] }) {
  const campusName = useCampusNames();
  const letters = new Map<string, string[]>();
  for (const lane of lanes) {
    const rules = Object.values(rulesOf(lane.sketch.ask, campusName)).flat();
    const against = lane.state ? sayBroken(lane.timetable, lane.state, lane.sketch.ask, rules) : [];
    for (const text of lane.problem ? [...against, lane.problem.message] : against)
      letters.set(text, [...(letters.get(text) ?? []), lane.letter]);
  }
  return (
    <>
      {[...letters].map(([text, ofLanes]) => (
        <p key={text} className="px-4 pt-1.5 text-12 text-brick">
          <span className="font-heavy">{ofLanes.join(', ')}</span> {text}
        </p>
      ))}
    </>
  );
}
