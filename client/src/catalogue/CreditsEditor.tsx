import { RangeForm } from './RangeForm';

type Props = { value: string | null; most: number; onChange: (value: string | null) => void };

/** A range of credits. */
export function CreditsEditor({ value, most, onChange }: Props) {
  const [min, max] = value?.split('-') ?? [];
  return (
    <RangeForm
      from={min ?? '0'}
      to={max ?? String(most)}
      labels={{ from: 'Least credits', to: 'Most credits' }}
      between={<span>to</span>}
      inputMode="decimal"
      read={readCredits}
      onChange={onChange}
      clear={value ? { label: 'Any credits', onClear: () => onChange(null) } : null}
    />
  );
}

function readCredits(min: string, max: string) {
  const [first, last] = [Number(min), Number(max)];
  if (min.trim() === '' || max.trim() === '' || Number.isNaN(first) || Number.isNaN(last) || first < 0)
    return { problem: 'Credits are numbers from 0 on.' };
  if (first > last) return { problem: 'The most must not be less than the least.' };
  return { value: `${first}-${last}` };
}
