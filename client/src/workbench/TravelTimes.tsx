import type { Terms } from '@/api/client';

type Props = { travel: Terms['travel']; campusName: (id: string) => string };

/** How long the ways between the campuses take. */
export function TravelTimes({ travel, campusName }: Props) {
  if (travel.length === 0) return <p className="text-12 text-mute">The catalogue gives no travel times.</p>;
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-12">
      {travel.map((way) => (
        <div key={`${way.from} ${way.to}`} className="contents">
          <dt className="text-mute">
            {campusName(way.from)} to {campusName(way.to)}
          </dt>
          <dd className="tabular-nums">{way.minutes} min</dd>
        </div>
      ))}
    </dl>
  );
}
