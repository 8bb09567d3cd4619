import { LayoutGrid } from 'lucide-react';
import { useState } from 'react';
import type { Ask } from '@/api/client';
import { isSame } from '@/lib/isSame';
import { setWeights } from '@/domain/edits';
import { weighed, type Weights } from '@/wording/measures';
import { Fader } from '@/ui/Fader';
import { IconButton } from '@/ui/IconButton';
import { Select } from '@/ui/Select';
import { startingPoints } from './startingPoints';
import { wording } from '@/wording/workbench/WhatMatters';

type Props = {
  weights: Weights;
  /** Orders what is possible by other weights without saving them; null ends it. */
  onWeigh: (weights: Weights | null) => void;
  change: (edit: (ask: Ask) => Ask) => void;
  /** Lays all week shapes out. */
  onSheet: () => void;
};

/** Those in use first. */
const inOrder = (weights: Weights) =>
  weighed.toSorted((a, b) => Number(weights[b.weight] > 0) - Number(weights[a.weight] > 0));

/** The student's weights; the order of all timetables follows them. */
export function WhatMatters({ weights, onWeigh, change, onSheet }: Props) {
  const current = startingPoints.find((start) => isSame(sorted(start.weights), sorted(weights)));
  // They stay where they are while they are moved; another starting point puts those it uses first.
  const [order, setOrder] = useState(() => inOrder(weights));
  const start = (name: string) => {
    const chosen = startingPoints.find((one) => one.name === name);
    if (!chosen) return;
    setOrder(inOrder(chosen.weights));
    change((now) => setWeights(now, chosen.weights));
  };
  return (
    <section aria-label={wording.whatMatters} className="flex min-h-0 flex-col">
      <div className="flex items-center justify-between gap-2">
        <h2 className="text-12 font-heavy">{wording.whatMatters}</h2>
        <Select
          label={wording.whatMattersStart}
          isLabelHidden
          value={current?.name ?? null}
          none={wording.myOwn}
          choices={startingPoints.map(({ name }) => ({ value: name, label: name }))}
          onChange={start}
          className="mr-auto"
        />
        <IconButton label={wording.showAllWeekShapes} onClick={onSheet}>
          <LayoutGrid size={15} aria-hidden="true" />
        </IconButton>
      </div>
      <div className="mt-1 grid grid-cols-2 gap-px">
        {order.map(({ weight, label }) => (
          <Fader
            key={weight}
            label={label}
            value={weights[weight]}
            onMove={(value) => onWeigh({ ...weights, [weight]: value })}
            onRest={(value) => {
              change((now) => setWeights(now, { [weight]: value }));
              onWeigh(null);
            }}
          />
        ))}
      </div>
    </section>
  );
}

function sorted(weights: Weights) {
  return Object.entries(weights).sort(([a], [b]) => a.localeCompare(b));
}
