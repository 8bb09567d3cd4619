import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { Answer, Walked } from '@/api/client';
import { countOf, sayCount } from '@/lib/count';
import { minuteOf, sayHours, sayLength } from '@/lib/time';

type Props = { answer: Answer; inView: Walked | null; onStep: (by: 1 | -1) => void };

/** How many timetables there are, which is in view, and what it is like. */
export function Facts({ answer, inView, onStep }: Props) {
  if (inView === null)
    return (
      <header className="flex min-h-[62px] items-center border-b border-rule px-4 py-2">
        <h1 className="text-16 font-heavy">
          <span className="text-24">0</span> timetables
        </h1>
      </header>
    );
  const number = BigInt(inView.number) + 1n;
  const total = BigInt(answer.timetables);
  return (
    <header className="flex min-h-[62px] flex-wrap items-center gap-x-6 gap-y-1 border-b border-rule px-4 py-2">
      <div className="flex items-center gap-2">
        <div className="flex">
          <WalkButton label="Previous timetable" disabled={number === 1n} onClick={() => onStep(-1)}>
            <ChevronLeft size={18} aria-hidden="true" />
          </WalkButton>
          <WalkButton label="Next timetable" disabled={number === total} onClick={() => onStep(1)}>
            <ChevronRight size={18} aria-hidden="true" />
          </WalkButton>
        </div>
        <h1 className="leading-tight">
          <span className="text-24 font-heavy">N° {sayCount(number)}</span>{' '}
          <span className="text-14 whitespace-nowrap">of {countOf(total, 'timetable')}</span>
          <span className="block text-12 whitespace-nowrap text-mute">
            week shape {sayCount(BigInt(inView.shape) + 1n)} of {sayCount(answer.weekShapes)}
            {BigInt(inView.alike) > 1n &&
              `, look-alike ${sayCount(BigInt(inView.alikeNumber) + 1n)} of ${sayCount(inView.alike)}`}
          </span>
        </h1>
      </div>
      <dl className="ml-auto flex flex-wrap gap-x-5 gap-y-1">
        {factsOf(inView).map((fact) => (
          <div key={fact.name} className="flex flex-col-reverse">
            <dt className="text-11 text-mute">{fact.name}</dt>
            <dd className="text-14 font-heavy whitespace-nowrap">{fact.value}</dd>
          </div>
        ))}
      </dl>
    </header>
  );
}

type Fact = { name: string; value: string };

function factsOf({ measures, credits }: Walked): Fact[] {
  const { earliestStart, latestEnd } = measures;
  return [
    { name: 'with class', value: countOf(measures.classDays, 'day') },
    {
      name: 'first to last',
      value:
        earliestStart && latestEnd ? sayHours(minuteOf(earliestStart), minuteOf(latestEnd)) : 'no set hours',
    },
    { name: 'idle a week', value: sayLength(measures.idleMinutes) },
    { name: 'campus moves a week', value: sayTenths(measures.campusMovesTenths) },
    { name: 'fewest seats left', value: sayCount(measures.seatsToSpare) },
    { name: 'credits', value: String(credits) },
  ];
}

/** Tenths as 2 or 1.5. */
function sayTenths(tenths: number): string {
  return String(tenths / 10);
}

type WalkButtonProps = { label: string; disabled: boolean; onClick: () => void; children: React.ReactNode };

function WalkButton({ label, disabled, onClick, children }: WalkButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={disabled}
      onClick={onClick}
      className="-ml-px border border-rule bg-sheet p-1.5 first:rounded-l-[4px] last:rounded-r-[4px] hover:border-ink disabled:cursor-default disabled:text-rule disabled:hover:border-rule"
    >
      {children}
    </button>
  );
}
