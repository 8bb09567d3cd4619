import { type ReactNode, useState } from 'react';
import { Button } from '@/ui/Button';
import { wording } from '@/wording/catalogue/RangeForm';

type Read = { value: string } | { problem: string };

type Props = {
  /** What stands in the fields at first. */
  from: string;
  to: string;
  labels: { from: string; to: string };
  between: ReactNode;
  note?: string;
  inputMode?: 'decimal' | 'text';
  /** The range typed, or a sentence on what is wrong with it. */
  read: (from: string, to: string) => Read;
  onChange: (value: string) => void;
  /** How to do without a range, where there is one. */
  clear: { label: string; onClear: () => void } | null;
};

/** Two fields that make a range of something, set together. */
export function RangeForm(props: Props) {
  const [from, setFrom] = useState(props.from);
  const [to, setTo] = useState(props.to);
  const [problem, setProblem] = useState<string | null>(null);
  const field = (label: string, value: string, onChange: (text: string) => void) => (
    <input
      aria-label={label}
      inputMode={props.inputMode ?? 'text'}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      maxLength={10}
      className="w-16 rounded-[4px] border border-rule bg-sheet px-2 py-1 tabular-nums"
    />
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const read = props.read(from, to);
        setProblem('problem' in read ? read.problem : null);
        if ('value' in read) props.onChange(read.value);
      }}
    >
      {props.note && <p className="mb-1.5 text-12 text-mute">{props.note}</p>}
      <div className="flex items-center gap-2">
        {field(props.labels.from, from, setFrom)}
        {props.between}
        {field(props.labels.to, to, setTo)}
        <Button type="submit">{wording.set}</Button>
      </div>
      {problem && (
        <p role="alert" className="mt-1.5 text-12 text-brick">
          {problem}
        </p>
      )}
      {props.clear && (
        <button type="button" className="mt-2 text-12 font-strong text-plum" onClick={props.clear.onClear}>
          {props.clear.label}
        </button>
      )}
    </form>
  );
}
