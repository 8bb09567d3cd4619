import type { Ask } from '@/api/client';

type EitherOr = Ask['eitherOr'][number];

/** How many courses of a choice are taken. */
export function Take({ choice, onChange }: { choice: EitherOr; onChange: (take: EitherOr['take']) => void }) {
  const { min, max } = choice.take;
  const numbers = Array.from({ length: choice.courses.length + 1 }, (_, i) => i);
  const pick = (label: string, value: number, from: readonly number[], onPick: (value: number) => void) => (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onPick(Number(event.target.value))}
      className="rounded-[3px] border border-rule bg-sheet px-1"
    >
      {from.map((number) => (
        <option key={number} value={number}>
          {number}
        </option>
      ))}
    </select>
  );
  return (
    <div className="mt-1 flex items-center gap-1.5 text-12 text-mute" role="group" aria-label={`Either–or of ${choice.courses.join(', ')}`}>
      take
      {pick('At least', min, numbers, (value) => onChange({ min: value, max: Math.max(value, max) }))}
      to
      {pick('At most', max, numbers.slice(1), (value) => onChange({ min: Math.min(value, min), max: value }))}
      of {choice.courses.length}
    </div>
  );
}
