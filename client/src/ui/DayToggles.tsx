import { type Day, days, daysOf } from '@/lib/days';
import { fullDay, shortDay } from '@/wording/days';

type Props = {
  label: string;
  chosen: readonly Day[];
  onChange: (days: Day[]) => void;
  /** The days there are to choose from; all where it is left out. */
  among?: readonly Day[];
  /** Two letters each, in a row of other things. */
  isTight?: boolean;
};

/** Any of the days of a week. */
export function DayToggles({ label, chosen, onChange, among = days, isTight = false }: Props) {
  return (
    <div role="group" aria-label={label} className="flex gap-1">
      {among.map((day) => (
        <button
          key={day}
          type="button"
          aria-label={fullDay(day)}
          aria-pressed={chosen.includes(day)}
          onClick={() =>
            onChange(chosen.includes(day) ? chosen.filter((one) => one !== day) : daysOf([...chosen, day]))
          }
          className={`rounded-[4px] border border-rule text-12 font-strong hover:border-ink aria-pressed:border-plum aria-pressed:bg-plum aria-pressed:text-on-plum ${
            isTight ? 'px-1.5 py-0.5' : 'flex-1 py-1'
          }`}
        >
          {shortDay(day)}
        </button>
      ))}
    </div>
  );
}
