import type { Choice } from '@/api/client';
import { colourOf, type PlacedSection, sayComponent } from '@/grid/classes';
import { sayMeetings } from '@/grid/meetings';
import { sayCredits } from '@/domain/credits';
import { saySeats } from '@/domain/seats';
import type { PicksEdits } from '@/domain/usePicks';
import type { TermVisit } from '@/domain/useTermVisit';
import { FallbackCell } from './FallbackCell';
import type { ChoiceView } from './useChoice';
import { wording } from '@/wording/registration/SectionTable';
import { common } from '@/wording/common';
import { joinAnd } from '@/wording/lists';

type Props = { visit: TermVisit; choice: Choice; view: ChoiceView; edits: PicksEdits };

const columns = [
  '',
  common.number,
  wording.section,
  common.hours,
  wording.room,
  common.instructor,
  wording.seatsLeft,
  wording.ifFills,
];

/** The sections in the order in which to register, the most urgent first, and what to do if one fills. */
export function SectionTable({ visit, choice, view, edits }: Props) {
  return (
    <section aria-label={common.sections} className="px-4 pt-3 print:px-0 print:pt-1">
      <h2 className="text-14 font-heavy">
        {wording.registerInOrder}
        <span className="ml-2 text-12 font-text text-mute print:hidden">
          {wording.whatFillsFirstAndHardest}
        </span>
      </h2>
      {view.survival && <p className="mt-0.5 text-12 text-mute">{view.survival.summary}</p>}
      <div className="mt-1.5">
        <table className="w-full border-collapse text-12 max-md:block print:text-11">
          <thead className="max-md:sr-only">
            <tr className="text-left text-mute">
              {columns.map((name) => (
                <th key={name} scope="col" className="py-1 pr-3 font-text">
                  {name || <span className="sr-only">{wording.place}</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody className="max-md:block">
            {view.ordered.map((one, i) => (
              <Row
                key={one.section.number}
                order={i + 1}
                one={one}
                isFirst={view.ordered.findIndex((other) => other.course.id === one.course.id) === i}
                visit={visit}
                choice={choice}
                view={view}
                edits={edits}
              />
            ))}
            {view.missing.map((section) => (
              <tr key={section.number} className={`${row} text-brick`}>
                <td />
                <td className="py-1.5 pr-3 print:py-0.5 tabular-nums line-through">{section.number}</td>
                <td className="py-1.5 pr-3 print:py-0.5">
                  {section.course} {sayComponent(section)}
                </td>
                <td className="py-1.5 pr-3 print:py-0.5 line-through">{sayMeetings(section)}</td>
                <td colSpan={4} className="py-1.5">
                  {wording.goneFromCatalogue}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

// On a phone a row is a card: what stands in it says itself what it is.
const row =
  'border-t border-hair align-top max-md:flex max-md:flex-wrap max-md:gap-x-3 max-md:py-1.5 max-md:[&>td]:p-0';

type RowProps = Props & {
  order: number;
  one: PlacedSection;
  /** The first of its course, which says its credits. */
  isFirst: boolean;
};

function Row({ order, one, isFirst, visit, choice, view, edits }: RowProps) {
  const { course, section, colour } = one;
  const survival = view.survival?.sections.find((other) => other.number === section.number);
  const rooms = [...new Set(section.meetings.map((meeting) => meeting.room))].filter((room) => room !== '');
  return (
    <tr className={row} data-number={section.number}>
      <td className="w-7 py-1.5 pr-2 text-right font-heavy tabular-nums max-md:w-auto print:py-0.5">
        {order}
      </td>
      <td className="py-1.5 pr-3 print:py-0.5 font-strong tabular-nums select-all">{section.number}</td>
      <td className="py-1.5 pr-3 print:py-0.5">
        <span className="flex min-w-[150px] gap-1.5 print:whitespace-nowrap">
          <span
            className="mt-0.5 h-3 w-2 shrink-0 rounded-[2px] border border-on-course/35"
            style={{ backgroundColor: colourOf(colour) }}
            aria-hidden="true"
          />
          <span>
            <span className="font-strong">
              {course.id} {sayComponent(section)}
            </span>
            <span className="block text-mute print:ml-1.5 print:inline">
              {course.title}
              {isFirst && `, ${sayCredits(course.minCredits, course.maxCredits)}`}
            </span>
          </span>
        </span>
      </td>
      <td className="py-1.5 pr-3 print:py-0.5 whitespace-nowrap">
        {sayMeetings(section)
          .split(', ')
          .map((line) => (
            <div key={line}>{line}</div>
          ))}
      </td>
      <td className="py-1.5 pr-3 print:py-0.5 print:whitespace-nowrap">{rooms.join(', ')}</td>
      <td className="py-1.5 pr-3 print:py-0.5 print:whitespace-nowrap">{joinAnd(section.instructors)}</td>
      <td className="py-1.5 pr-3 print:py-0.5 whitespace-nowrap">
        {survival?.isRegistered ? (
          <span className="text-moss">{wording.registered}</span>
        ) : section.freeSeats === 0 ? (
          <span className="text-brick">{saySeats(section)}</span>
        ) : (
          <span className={survival?.isAtRisk ? 'font-strong' : ''}>{saySeats(section)}</span>
        )}
      </td>
      <td className="py-1.5 max-md:basis-full print:py-0.5">
        {survival && !survival.isRegistered && (
          <FallbackCell
            visit={visit}
            choice={choice}
            view={view}
            edits={edits}
            one={one}
            survival={survival}
          />
        )}
      </td>
    </tr>
  );
}
