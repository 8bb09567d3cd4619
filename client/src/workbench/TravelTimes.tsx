import type { Terms } from '@/api/client';
import { wording } from '@/wording/workbench/TravelTimes';

type Props = { travel: Terms['travel']; campusName: (id: string) => string };

/** How long the ways between the campuses take. */
export function TravelTimes({ travel, campusName }: Props) {
  if (travel.length === 0) return <p className="text-12 text-mute">{wording.catalogueGivesNoTravelTimes}</p>;
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-12">
      {travel.map((way) => (
        <div key={`${way.from} ${way.to}`} className="contents">
          <dt className="text-mute">{wording.fromTo(campusName(way.from), campusName(way.to))}</dt>
          <dd className="tabular-nums">{wording.minutesMin(way.minutes)}</dd>
        </div>
      ))}
    </dl>
  );
}
