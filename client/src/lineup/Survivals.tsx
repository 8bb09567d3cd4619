import type { SectionSurvival } from '@/api/client';
import { sayComponentInline } from '@/grid/classes';
import { saySeats } from '@/domain/seats';
import { seenOf } from '@/domain/shortlist';
import { Swap } from '@/domain/Swap';
import { placed, type Sections } from '@/domain/useSections';
import { LaneLetter } from './LaneLetter';
import type { BoardLane } from './useBoard';
import { wording } from '@/wording/lineup/Survivals';

type Props = { lanes: readonly BoardLane[]; sections: Sections };

/** How each survives a section filling up: in a sentence, and section by section, the most urgent first. */
export function Survivals({ lanes, sections }: Props) {
  const told = lanes.flatMap((lane) => (lane.survival ? [{ lane, survival: lane.survival }] : []));
  if (told.length === 0) return null;
  return (
    <section aria-label={wording.ifSectionFills} className="px-4 pb-5">
      <h2 className="mb-1 text-14 font-heavy">{wording.ifSectionFills}</h2>
      {told.map(({ lane, survival }) => (
        <details key={lane.letter} className="py-1">
          <summary className="cursor-pointer">
            <LaneLetter lane={lane} isSmall /> {survival.summary}
          </summary>
          <ol className="mt-1 ml-8 text-12">
            {survival.sections.map((one) => (
              <SectionLine key={one.number} one={one} lane={lane} sections={sections} />
            ))}
          </ol>
        </details>
      ))}
    </section>
  );
}

type LineProps = { one: SectionSurvival; lane: BoardLane; sections: Sections };

function SectionLine({ one, lane, sections }: LineProps) {
  const section = lane.timetable.sections.find((other) => other.number === one.number);
  const { freeSeats } = one;
  const capacity = sections.byNumber.get(one.number)?.section.capacity ?? freeSeats;
  return (
    <li className="flex gap-3 border-t border-hair py-1 max-md:flex-col max-md:gap-0">
      <span className="w-[170px] shrink-0 font-strong">
        {one.course} {section && sayComponentInline(section)}
      </span>
      <span className={`w-[130px] shrink-0 ${one.isAtRisk ? 'font-strong' : 'text-mute'}`}>
        {saySeats({ freeSeats, capacity })}
      </span>
      <span className="min-w-0">
        {one.isRegistered ? (
          <span className="text-moss">{wording.registered}</span>
        ) : one.instead ? (
          <>
            {one.rescue === 'straightSwap' ? wording.straightSwap : wording.onlyAnotherTimetable}
            <Swap
              held={lane.timetable.sections}
              instead={seenOf(placed(sections, one.instead))}
              sections={sections}
            />
          </>
        ) : (
          <span className="text-brick">{wording.nothingTakesPlace}</span>
        )}
      </span>
    </li>
  );
}
