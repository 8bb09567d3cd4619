import type { Ask } from '@/api/client';
import { setWeights } from '@/sketch/edits';
import { Menu, MenuItem } from '@/ui/Menu';
import { startingPoints } from './startingPoints';

type Weights = Ask['weights'];
type Props = { weights: Weights; change: (edit: (ask: Ask) => Ask) => void };

const sliders: { weight: keyof Weights; label: string }[] = [
  { weight: 'classDays', label: 'Fewer days' },
  { weight: 'idle', label: 'Less idle time' },
  { weight: 'laterStart', label: 'Later start' },
  { weight: 'earlierFinish', label: 'Earlier finish' },
  { weight: 'stretch', label: 'Shorter stretches' },
  { weight: 'moves', label: 'Fewer moves' },
  { weight: 'soft', label: 'Rather-not hours' },
  { weight: 'breaksMissed', label: 'Soft breaks' },
  { weight: 'seats', label: 'Seats to spare' },
  { weight: 'away', label: 'Preferred campus' },
  { weight: 'wanted', label: 'More courses' },
];

/** The student's weights; the order of all timetables follows them. */
export function WhatMatters({ weights, change }: Props) {
  const current = startingPoints.find((start) => JSON.stringify(sorted(start.weights)) === JSON.stringify(sorted(weights)));
  return (
    <section aria-label="What matters" className="flex min-h-0 flex-col">
      <div className="flex items-baseline justify-between gap-2 text-12">
        <h2 className="font-heavy">What matters</h2>
        <Menu
          align="start"
          trigger={
            <button type="button" className="border-b border-dotted border-mute font-strong whitespace-nowrap">
              {current?.name ?? 'My own'}
            </button>
          }
        >
          {startingPoints.map((start) => (
            <MenuItem key={start.name} onSelect={() => change((now) => setWeights(now, start.weights))}>
              {start.name}
            </MenuItem>
          ))}
        </Menu>
      </div>
      <div className="mt-1 min-h-0 flex-1 overflow-y-auto pr-1">
        {sliders.map(({ weight, label }) => (
          <label key={weight} className="flex items-center gap-2 py-[3px] text-12">
            <span className="w-[104px] shrink-0 truncate">{label}</span>
            <input
              type="range"
              min={0}
              max={100}
              step={5}
              value={weights[weight]}
              onChange={(event) => {
                const value = event.target.valueAsNumber;
                change((now) => setWeights(now, { [weight]: value }));
              }}
              className="slider min-w-0 flex-1"
            />
          </label>
        ))}
      </div>
    </section>
  );
}

function sorted(weights: Weights) {
  return Object.entries(weights).sort(([a], [b]) => a.localeCompare(b));
}
