import { useId, useState } from 'react';
import { readDate, sayDate } from '@/wording/dates';
import { wording } from '@/wording/ui/DateField';

type Props = {
  label: string;
  /** A date as the API has it; null for none. */
  value: string | null;
  /** The first and the last date it takes. */
  first: string;
  last: string;
  onChange: (date: string) => void;
};

/** A date that is typed, and reads 11 Jan. */
export function DateField({ label, value, first, last, onChange }: Props) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const date = typed === null ? value : readDate(typed, first, last);
  const isWrong = typed !== null && typed.trim() !== '' && date === null;
  const [isTold, setTold] = useState(false);
  const take = () => {
    if (typed === null) return;
    if (isWrong) {
      setTold(true);
      return;
    }
    if (date !== null && date !== value) onChange(date);
    setTyped(null);
  };
  return (
    <span className="inline-flex items-center gap-1.5">
      <input
        value={typed ?? (value === null ? '' : sayDate(value))}
        placeholder={sayDate(first)}
        aria-label={label}
        aria-invalid={isTold && isWrong}
        aria-describedby={id}
        maxLength={20}
        autoComplete="off"
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setTyped(event.target.value);
          setTold(false);
        }}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') {
            setTyped(null);
            setTold(false);
          }
        }}
        className="h-6 w-[4.5rem] rounded-[3px] border border-rule bg-sheet px-1.5 text-12 text-ink placeholder:text-mute aria-invalid:border-brick"
      />
      <span id={id} role={isTold && isWrong ? 'alert' : undefined} className="text-brick">
        {isTold && isWrong ? wording.typeDate(sayDate(first), sayDate(last)) : ''}
      </span>
    </span>
  );
}
