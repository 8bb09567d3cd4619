import { useState } from 'react';
import { apiTime, minuteOf, readTime, sayTime } from '@/lib/time';
import { Button } from '@/ui/Button';

type Props = { value: string | null; onChange: (value: string | null) => void };

const usual = { from: '8:00', to: '20:00' };

/** The hours within which every meeting of a section must lie. */
export function HoursEditor({ value, onChange }: Props) {
  const [start, end] = value?.split('-') ?? [];
  const [from, setFrom] = useState(start ? sayTime(minuteOf(start)) : usual.from);
  const [to, setTo] = useState(end ? sayTime(minuteOf(end)) : usual.to);
  const [problem, setProblem] = useState<string | null>(null);

  const apply = () => {
    const [first, last] = [readTime(from), readTime(to)];
    if (first === null || last === null)
      setProblem(`“${first === null ? from : to}” is no time of day. Type it as 9:30.`);
    else if (first >= last) setProblem('The end must come after the start.');
    else {
      setProblem(null);
      onChange(`${apiTime(first)}-${apiTime(last)}`);
    }
  };

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        apply();
      }}
    >
      <p className="mb-1.5 text-12 text-mute">Sections that meet at no other hours</p>
      <div className="flex items-center gap-2">
        <TimeField label="From" value={from} onChange={setFrom} />
        <span aria-hidden="true">–</span>
        <TimeField label="To" value={to} onChange={setTo} />
        <Button type="submit">Set</Button>
      </div>
      {problem && (
        <p role="alert" className="mt-1.5 text-12 text-brick">
          {problem}
        </p>
      )}
      {value && (
        <button type="button" className="mt-2 text-12 font-strong text-plum" onClick={() => onChange(null)}>
          Any hour
        </button>
      )}
    </form>
  );
}

function TimeField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <input
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      maxLength={10}
      className="w-16 rounded-[4px] border border-rule bg-sheet px-2 py-1 tabular-nums"
    />
  );
}
