import type { CSSProperties } from 'react';
import type { Comparison, MeasureRow } from '@/api/client';
import { sayComponentInline } from '@/grid/classes';
import { placed, type Sections } from '@/domain/useSections';
import { Scroller } from '@/ui/Scroller';
import { LaneLetter } from './LaneLetter';
import { barOf, nameOfMeasure, sayChange, sayMeasure } from './measures';
import type { BoardLane } from './useBoard';
import { wording } from '@/wording/lineup/MeasureTable';
import { counted } from '@/wording/counted';

type Props = {
  lanes: readonly BoardLane[];
  comparison: Comparison;
  baseline: string | null;
  sections: Sections;
};

/** The measures side by side, what matters most first; rows in which all are equal stand folded under it. */
export function MeasureTable({ lanes, comparison, baseline, sections }: Props) {
  const isAlone = lanes.length === 1;
  const told = comparison.rows.filter((row) => isAlone || !row.isEqual);
  const equal = comparison.rows.filter((row) => !isAlone && row.isEqual);
  const from = lanes.findIndex((lane) => lane.letter === baseline);
  return (
    <Scroller label={wording.measures} className="shrink-0 px-4">
      <table
        className="w-full min-w-[calc(130px+200px*var(--lanes))] border-collapse max-md:min-w-[calc(96px+124px*var(--lanes))]"
        style={{ '--lanes': lanes.length } as CSSProperties}
      >
        <caption className="sr-only">{wording.measuresOfTimetablesWhatMatters}</caption>
        <thead>
          <tr className="text-left text-12 text-mute">
            <th scope="col" className="sticky left-0 w-[220px] bg-paper py-1.5 font-text max-md:w-[96px]">
              <span className="sr-only">{wording.measure}</span>
            </th>
            {lanes.map((lane) => (
              <th key={lane.letter} scope="col" className="max-w-[200px] truncate py-1.5 pr-3 font-strong">
                {lane.letter} · {lane.timetable.name}
                {lane.letter === baseline && ' (baseline)'}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {told.map((row) => (
            <tr key={row.measure} className="border-t border-hair">
              <th scope="row" className="sticky left-0 bg-paper py-1 pr-2 text-left font-text text-mute">
                {nameOfMeasure(row)}
              </th>
              {lanes.map((lane, i) => (
                <td key={lane.letter} className="py-1 pr-3 md:whitespace-nowrap">
                  <Cell
                    bar={barOf(row, row.values[i] ?? null)}
                    isBest={row.best[i] ?? false}
                    isTied={row.best.filter(Boolean).length > 1}
                  >
                    {from >= 0 && i !== from
                      ? sayChange(row, row.values[i] ?? null, row.values[from] ?? null)
                      : sayMeasure(row, row.values[i] ?? null)}
                    {row.measure === 'seatsToSpare' &&
                      (from < 0 || i === from) &&
                      fewest(lane, row, i, sections)}
                  </Cell>
                </td>
              ))}
            </tr>
          ))}
          <SurvivalRow lanes={lanes} />
        </tbody>
      </table>
      {equal.length > 0 && (
        <details className="border-t border-hair py-1.5 text-12 text-mute">
          <summary className="cursor-pointer">
            {wording.sameInAll(lanes.length, equal.map((row) => nameOfMeasure(row).toLowerCase()).join(', '))}
          </summary>
          <dl className="mt-1 grid grid-cols-[220px_1fr] gap-y-0.5">
            {equal.map((row) => (
              <div key={row.measure} className="contents">
                <dt>{nameOfMeasure(row)}</dt>
                <dd className="text-ink">{sayMeasure(row, row.values[0] ?? null)}</dd>
              </div>
            ))}
          </dl>
        </details>
      )}
    </Scroller>
  );
}

/** Which section has the fewest seats. */
function fewest(lane: BoardLane, row: MeasureRow, at: number, sections: Sections): string {
  const least = placed(sections, lane.numbers).find((one) => one.section.freeSeats === row.values[at]);
  return least ? wording.inId(least.course.id, sayComponentInline(least.section)) : '';
}

/** How many sections of each have a straight swap. */
function SurvivalRow({ lanes }: { lanes: readonly BoardLane[] }) {
  const shares = lanes.map(({ survival }) =>
    survival ? survival.swaps / Math.max(1, survival.outOf) : null,
  );
  const best = Math.max(...shares.map((share) => share ?? -1));
  const isBest = shares.map((share) => share === best && new Set(shares).size > 1);
  return (
    <tr className="border-t border-hair">
      <th scope="row" className="sticky left-0 bg-paper py-1 pr-2 text-left font-text text-mute">
        {wording.straightSwapsIfOneFills}
      </th>
      {lanes.map(({ letter, survival }, i) => (
        <td key={letter} className="py-1 pr-3 md:whitespace-nowrap">
          {survival ? (
            <Cell bar={shares[i] ?? 0} isBest={isBest[i]!} isTied={isBest.filter(Boolean).length > 1}>
              <span title={survival.summary}>
                {wording.swapsSections(survival.swaps, counted.sections(survival.outOf))}
              </span>
            </Cell>
          ) : (
            <span className="text-mute">…</span>
          )}
        </td>
      ))}
    </tr>
  );
}

type CellProps = { bar: number; isBest: boolean; isTied: boolean; children: React.ReactNode };

function Cell({ bar, isBest, isTied, children }: CellProps) {
  return (
    <span className="flex items-center gap-2">
      <span className="w-14 shrink-0 max-md:hidden" aria-hidden="true">
        <span
          className={`block h-[7px] rounded-[2px] ${isBest ? 'bg-plum' : 'bg-rule'}`}
          style={{ width: `${bar * 100}%` }}
        />
      </span>
      <span className={isBest ? 'font-heavy' : ''}>{children}</span>
      {isBest && (
        <span className="text-11 font-strong text-plum">{isTied ? wording.bestTied : '◂ best'}</span>
      )}
    </span>
  );
}

/** In what each two differ; with a baseline, what each is beside it. */
export function Pairs({ lanes, comparison, baseline }: Omit<Props, 'sections'>) {
  const from = lanes.findIndex((lane) => lane.letter === baseline);
  const told = comparison.pairs.filter((pair) => from < 0 || pair.first === from || pair.second === from);
  if (told.length === 0) return null;
  return (
    <section aria-label={wording.inWhatDiffer} className="px-4 pt-3 pb-4">
      <h2 className="mb-1 text-14 font-heavy">{wording.inWhatDiffer}</h2>
      <ul className="max-w-[75rem]">
        {told.map((pair) => (
          <li key={`${pair.first} ${pair.second}`} className="flex gap-2 py-1">
            <span className="flex shrink-0 gap-0.5" aria-hidden="true">
              <LaneLetter lane={lanes[pair.first]!} isSmall />
              <LaneLetter lane={lanes[pair.second]!} isSmall />
            </span>
            <span>{pair.sentence}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
