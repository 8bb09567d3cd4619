import { type SyntheticEvent, useId, useState } from 'react';
import type { TimeBlock } from '@/api/client';
import { hoursOfBlock, newBlock } from '@/grid/blocks';
import { type Day, days, daysOf, fullDay, shortDay } from '@/lib/days';
import { readTime, sayTime } from '@/lib/time';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';

type Props = {
  /** The block to change, or null for a new one. */
  block: TimeBlock | null;
  onSave: (block: TimeBlock) => void;
  onRemove: (() => void) | null;
  onClose: () => void;
};

const field = 'w-full rounded-[4px] border border-rule bg-paper px-2 py-1.5 aria-invalid:border-brick';

/** Days, hours and label of a Can't block, typed. */
export function BlockForm({ block, onSave, onRemove, onClose }: Props) {
  const id = useId();
  const known = block && hoursOfBlock(block);
  const [chosen, setChosen] = useState<Day[]>(block ? daysOf(block.days) : []);
  const [from, setFrom] = useState(known ? sayTime(known.start) : '');
  const [to, setTo] = useState(known ? sayTime(known.end) : '');
  const [label, setLabel] = useState(block?.label ?? '');
  const [tried, setTried] = useState(false);

  const start = readTime(from);
  const end = readTime(to);
  const wrong = {
    days: chosen.length === 0 ? 'Choose at least one day.' : null,
    from: start === null ? 'Type a time such as 9:30.' : null,
    to:
      end === null
        ? 'Type a time such as 12:00.'
        : start !== null && end <= start
          ? 'The end must come after the start.'
          : null,
  };

  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    setTried(true);
    if (start === null || end === null || wrong.days || wrong.to) return;
    const changed = newBlock(chosen, { start, end }, label.trim());
    onSave(block ? { ...block, ...changed, weeks: block.weeks, strength: block.strength } : changed);
    onClose();
  };

  const toggle = (day: Day) =>
    setChosen(chosen.includes(day) ? chosen.filter((one) => one !== day) : daysOf([...chosen, day]));

  return (
    <Dialog open onOpenChange={onClose} title={block ? 'Hours you can’t' : 'Take hours out'}>
      <form onSubmit={submit} className="flex flex-col gap-3" noValidate>
        <fieldset>
          <legend className="mb-1 text-12 text-mute">Days</legend>
          <div className="flex gap-1">
            {days.map((day) => (
              <button
                key={day}
                type="button"
                aria-label={fullDay(day)}
                aria-pressed={chosen.includes(day)}
                onClick={() => toggle(day)}
                className="flex-1 rounded-[4px] border border-rule py-1.5 text-12 font-strong aria-pressed:border-plum aria-pressed:bg-plum aria-pressed:text-on-plum"
              >
                {shortDay(day)}
              </button>
            ))}
          </div>
          <Complaint id={`${id}-days`} text={tried ? wrong.days : null} />
        </fieldset>
        <div className="grid grid-cols-2 gap-3">
          <TimeField
            id={`${id}-from`}
            label="From"
            value={from}
            onChange={setFrom}
            wrong={tried ? wrong.from : null}
          />
          <TimeField id={`${id}-to`} label="To" value={to} onChange={setTo} wrong={tried ? wrong.to : null} />
        </div>
        <label className="flex flex-col gap-1 text-12 text-mute">
          What it is, if you like
          <input
            value={label}
            onChange={(event) => setLabel(event.target.value)}
            maxLength={200}
            placeholder="Boatyard shift"
            className={`${field} text-14 text-ink`}
          />
        </label>
        <div className="mt-1 flex gap-2">
          <Button look="main" type="submit">
            {block ? 'Save' : 'Take these hours out'}
          </Button>
          {onRemove && (
            <Button
              onClick={() => {
                onRemove();
                onClose();
              }}
            >
              Remove
            </Button>
          )}
          <Button look="quiet" className="ml-auto" onClick={onClose}>
            Cancel
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

type TimeFieldProps = {
  id: string;
  label: string;
  value: string;
  onChange: (text: string) => void;
  wrong: string | null;
};

function TimeField({ id, label, value, onChange, wrong }: TimeFieldProps) {
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-12 text-mute">
        {label}
      </label>
      <input
        id={id}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        inputMode="text"
        maxLength={8}
        placeholder={label === 'From' ? '8:00' : '12:00'}
        aria-invalid={wrong !== null}
        aria-describedby={`${id}-wrong`}
        className={field}
      />
      <Complaint id={`${id}-wrong`} text={wrong} />
    </div>
  );
}

function Complaint({ id, text }: { id: string; text: string | null }) {
  return (
    <p id={id} role={text ? 'alert' : undefined} className="mt-1 min-h-4 text-12 text-brick">
      {text}
    </p>
  );
}
