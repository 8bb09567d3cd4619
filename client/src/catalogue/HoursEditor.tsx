import { apiTime, minuteOf, readTime, sayTime } from '@/lib/time';
import { RangeForm } from './RangeForm';

type Props = { value: string | null; onChange: (value: string | null) => void };

const usual = { from: '8:00', to: '20:00' };

/** The hours within which every meeting of a section must lie. */
export function HoursEditor({ value, onChange }: Props) {
  const [start, end] = value?.split('-') ?? [];
  return (
    <RangeForm
      from={start ? sayTime(minuteOf(start)) : usual.from}
      to={end ? sayTime(minuteOf(end)) : usual.to}
      labels={{ from: 'From', to: 'To' }}
      between={<span aria-hidden="true">–</span>}
      note="Sections that meet at no other hours"
      read={readHours}
      onChange={onChange}
      clear={value ? { label: 'Any hour', onClear: () => onChange(null) } : null}
    />
  );
}

function readHours(from: string, to: string) {
  const [first, last] = [readTime(from), readTime(to)];
  if (first === null || last === null)
    return { problem: `“${first === null ? from : to}” is no time of day. Type it as 9:30.` };
  if (first >= last) return { problem: 'The end must come after the start.' };
  return { value: `${apiTime(first)}-${apiTime(last)}` };
}
