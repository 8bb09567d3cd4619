import type { Ask } from '@/api/client';
import { Select } from '@/ui/Select';
import { wording } from '@/wording/workbench/Take';
import { common } from '@/wording/common';

type EitherOr = Ask['eitherOr'][number];

/** How many courses of a choice are taken. */
export function Take({ choice, onChange }: { choice: EitherOr; onChange: (take: EitherOr['take']) => void }) {
  const { min, max } = choice.take;
  const numbers = Array.from({ length: choice.courses.length + 1 }, (_, i) => i);
  const pick = (label: string, value: number, from: readonly number[], onPick: (value: number) => void) => (
    <Select
      label={label}
      isLabelHidden
      value={String(value)}
      choices={from.map((number) => ({ value: String(number), label: String(number) }))}
      onChange={(chosen) => onPick(Number(chosen))}
    />
  );
  return (
    <div
      className="mt-1 flex items-center gap-1.5 text-12 text-mute"
      role="group"
      aria-label={wording.eitherOr(choice.courses.join(', '))}
    >
      {wording.take}
      {pick(common.atLeast, min, numbers, (value) => onChange({ min: value, max: Math.max(value, max) }))}
      {wording.to}
      {pick(common.atMost, max, numbers.slice(1), (value) =>
        onChange({ min: Math.min(value, min), max: value }),
      )}
      {wording.ofCoursesCount(choice.courses.length)}
    </div>
  );
}
