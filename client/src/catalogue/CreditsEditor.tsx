import { useState } from 'react';
import { Button } from '@/ui/Button';

type Props = { value: string | null; most: number; onChange: (value: string | null) => void };

/** A range of credits. */
export function CreditsEditor({ value, most, onChange }: Props) {
  const [start, end] = value?.split('-') ?? [];
  const [min, setMin] = useState(start ?? '0');
  const [max, setMax] = useState(end ?? String(most));
  const [problem, setProblem] = useState<string | null>(null);

  const apply = () => {
    const [first, last] = [Number(min), Number(max)];
    if (min.trim() === '' || max.trim() === '' || Number.isNaN(first) || Number.isNaN(last) || first < 0)
      setProblem('Credits are numbers from 0 on.');
    else if (first > last) setProblem('The most must not be less than the least.');
    else {
      setProblem(null);
      onChange(`${first}-${last}`);
    }
  };

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        apply();
      }}
    >
      <div className="flex items-center gap-2">
        <input
          aria-label="Least credits"
          inputMode="decimal"
          value={min}
          onChange={(event) => setMin(event.target.value)}
          maxLength={5}
          className="w-14 rounded-[4px] border border-rule bg-sheet px-2 py-1 tabular-nums"
        />
        <span>to</span>
        <input
          aria-label="Most credits"
          inputMode="decimal"
          value={max}
          onChange={(event) => setMax(event.target.value)}
          maxLength={5}
          className="w-14 rounded-[4px] border border-rule bg-sheet px-2 py-1 tabular-nums"
        />
        <Button type="submit">Set</Button>
      </div>
      {problem && (
        <p role="alert" className="mt-1.5 text-12 text-brick">
          {problem}
        </p>
      )}
      {value && (
        <button type="button" className="mt-2 text-12 font-strong text-plum" onClick={() => onChange(null)}>
          Any credits
        </button>
      )}
    </form>
  );
}
