import { RangeForm } from './RangeForm';
import { wording } from '@/wording/catalogue/CreditsEditor';

type Props = { value: string | null; most: number; onChange: (value: string | null) => void };

/** A range of credits. */
export function CreditsEditor({ value, most, onChange }: Props) {
  const [min, max] = value?.split('-') ?? [];
  return (
    <RangeForm
      from={min ?? '0'}
      to={max ?? String(most)}
      labels={{ from: wording.leastCredits, to: wording.mostCredits }}
      between={<span>{wording.to}</span>}
      inputMode="decimal"
      read={readCredits}
      onChange={onChange}
      clear={value ? { label: wording.anyCredits, onClear: () => onChange(null) } : null}
    />
  );
}

function readCredits(min: string, max: string) {
  const [first, last] = [Number(min), Number(max)];
  if (min.trim() === '' || max.trim() === '' || Number.isNaN(first) || Number.isNaN(last) || first < 0)
    return { problem: wording.noCredits };
  if (first > last) return { problem: wording.mostMustNotBeLess };
  return { value: `${first}-${last}` };
}
