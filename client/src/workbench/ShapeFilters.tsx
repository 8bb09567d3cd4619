import type { Day } from '@/lib/days';
import { DayToggles } from '@/ui/DayToggles';
import { Select } from '@/ui/Select';
import type { ShapeFacts } from './shapeFacts';
import { wording } from '@/wording/workbench/ShapeFilters';
import { common } from '@/wording/common';

type Props = {
  facts: ShapeFacts;
  /** Days that the grid has. */
  gridDays: readonly Day[];
  onChange: (facts: ShapeFacts) => void;
};

/** The facts by which week shapes are filtered. */
export function ShapeFilters({ facts, gridDays, onChange }: Props) {
  const set = (change: Partial<ShapeFacts>) => onChange({ ...facts, ...change });
  return (
    <>
      <div className="flex items-center gap-1.5">
        <span className="text-mute">{wording.off}</span>
        <DayToggles
          label={common.daysOff}
          chosen={facts.off}
          among={gridDays}
          onChange={(off) => set({ off })}
          isTight
        />
      </div>
      <Pick
        label={wording.startsAtOrAfter}
        value={facts.after}
        choices={hours(8, 13)}
        onChange={(after) => set({ after })}
      />
      <Pick
        label={wording.endsAtOrBefore}
        value={facts.before}
        choices={hours(13, 21)}
        onChange={(before) => set({ before })}
      />
      <Pick
        label={wording.idleWeekAtMost}
        value={facts.idle}
        choices={[60, 120, 180, 240, 360, 480, 600].map((minutes) => ({
          value: String(minutes),
          label: wording.minutesH(minutes / 60),
        }))}
        onChange={(idle) => set({ idle })}
      />
      <Pick
        label={wording.seatsToSpare}
        value={facts.seats}
        choices={[1, 2, 3, 5, 10].map((seats) => ({ value: String(seats), label: wording.orMore(seats) }))}
        onChange={(seats) => set({ seats })}
      />
    </>
  );
}

function hours(from: number, to: number) {
  return Array.from({ length: to - from }, (_, i) => ({
    value: String((from + i) * 60),
    label: `${from + i}:00`,
  }));
}

type PickProps = {
  label: string;
  value: string;
  choices: readonly { value: string; label: string }[];
  onChange: (value: string) => void;
};

function Pick({ choices, ...rest }: PickProps) {
  return <Select {...rest} choices={[{ value: '', label: wording.any }, ...choices]} />;
}
