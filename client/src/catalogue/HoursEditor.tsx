import { apiTime, minuteOf, readTime } from '@/lib/time';
import { sayTime } from '@/wording/times';
import { RangeForm } from './RangeForm';
import { wording } from '@/wording/catalogue/HoursEditor';
import { common } from '@/wording/common';

type Props = { value: string | null; onChange: (value: string | null) => void };

const usual = { from: '8:00', to: '20:00' };

/** The hours within which every meeting of a section must lie. */
export function HoursEditor({ value, onChange }: Props) {
  const [start, end] = value?.split('-') ?? [];
  return (
    <RangeForm
      from={start ? sayTime(minuteOf(start)) : usual.from}
      to={end ? sayTime(minuteOf(end)) : usual.to}
      labels={{ from: wording.from, to: wording.to }}
      between={<span aria-hidden="true">–</span>}
      note={wording.sectionsMeetAtNo}
      read={readHours}
      onChange={onChange}
      clear={value ? { label: wording.anyHour, onClear: () => onChange(null) } : null}
    />
  );
}

function readHours(from: string, to: string) {
  const [first, last] = [readTime(from), readTime(to)];
  if (first === null || last === null)
    return { problem: wording.noTimeOfDayType(first === null ? from : to) };
  if (first >= last) return { problem: common.endMustComeAfterStart };
  return { value: `${apiTime(first)}-${apiTime(last)}` };
}
