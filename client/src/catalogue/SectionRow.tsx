import type { Section, Term } from '@/api/client';
import { meetsAllTerm, sayComponent } from '@/grid/classes';
import { type Day } from '@/lib/days';
import { fullDay, sayDays, shortDay } from '@/wording/days';
import { sayMode } from '@/wording/modes';
import { sayWeeks } from '@/wording/weeks';
import { saySeats, sayWaitlist } from '@/domain/seats';
import { TellMe } from '@/domain/TellMe';
import { useCampusNames } from '@/domain/useCampusNames';
import { lettersFor, type MeetingLine, meetingLines } from '@/grid/meetings';

type Mark = 'keep' | 'ruleOut' | null;
import { MarkButton } from '@/ui/MarkButton';
import { wording } from '@/wording/catalogue/SectionRow';
import { common } from '@/wording/common';
import { joinAnd, joinOr } from '@/wording/lists';

type Props = {
  section: Section;
  term: Term;
  /** Whether it goes with the leading section above it alone. */
  isUnder: boolean;
  /** Labels of the leading sections it goes with, where that is not all. */
  goesWith: readonly string[];
  mark: Mark;
  standing: string | null;
  onMark: (mark: Mark) => void;
  onPoint: (isPointed: boolean) => void;
};

/** One section with everything that is known of it. */
export function SectionRow(props: Props) {
  const { section, term, isUnder, goesWith, mark, standing, onMark, onPoint } = props;
  const campusName = useCampusNames();
  const lines = meetingLines(section);
  const letters = lettersFor(lines);
  const remarks = remarksOf(section, goesWith);
  const isOut = mark === 'ruleOut' || standing === '0';
  return (
    <li
      className={`border-b border-hair py-2 ${isUnder ? 'ml-2.5 border-l-2 border-l-rule pl-2.5' : ''}`}
      onMouseEnter={() => onPoint(true)}
      onMouseLeave={() => onPoint(false)}
      onFocus={() => onPoint(true)}
      onBlur={() => onPoint(false)}
    >
      <div className="flex gap-3 max-md:flex-wrap max-md:gap-x-2 max-md:gap-y-1">
        <div className="w-[58px] shrink-0">
          <div className={`font-heavy ${isOut ? 'text-mute' : ''}`}>{section.label || section.component}</div>
          <div className="text-12 text-mute tabular-nums">{section.number}</div>
        </div>
        <div className="min-w-0 flex-1 max-md:basis-[calc(100%-66px)]">
          {lines.length === 0 && <div className="text-mute">{common.noSetHours}</div>}
          {lines.map((line, i) => (
            <div key={i} className="mb-0.5">
              <div className="flex items-center gap-2">
                <DayLetters all={letters} on={line.days} />
                <span className="whitespace-nowrap tabular-nums">{line.hours}</span>
              </div>
              <div className="text-12 text-mute">
                {[
                  roomOf(line, campusName),
                  meetsAllTerm(line.weeks, term.weeks) ? '' : sayWeeks(line.weeks),
                  i === lines.length - 1 ? remarks : '',
                ]
                  .filter((part) => part !== '')
                  .join(' · ')}
              </div>
            </div>
          ))}
          {lines.length === 0 && <div className="text-12 text-mute">{remarks}</div>}
          {section.notes !== '' && <div className="text-12">{section.notes}</div>}
          {section.materials !== '' && (
            <div className="text-12">
              <span className="font-strong">{wording.materials}</span> {section.materials}
            </div>
          )}
        </div>
        <div className="w-[84px] shrink-0 max-md:ml-[66px] max-md:flex-1">
          <Seats section={section} />
          {section.freeSeats === 0 && section.status !== 'cancelled' && (
            <TellMe
              term={term.id}
              sections={[section.number]}
              what={sayComponent(section)}
              says={wording.seatNotice}
              className="mt-1 px-1.5! py-0! text-11! whitespace-nowrap"
            />
          )}
          <div className="text-12 text-mute tabular-nums">
            {standing !== null && (standing === '0' ? wording.inNone : wording.inStanding(standing))}
          </div>
        </div>
        <div className="flex w-[62px] shrink-0 flex-col gap-1 max-md:w-[130px] max-md:flex-row max-md:self-start">
          <MarkButton
            pressed={mark === 'keep'}
            label={wording.keepComponent(sayComponent(section))}
            onClick={() => onMark(mark === 'keep' ? null : 'keep')}
          >
            {mark === 'keep' ? wording.kept : common.keep}
          </MarkButton>
          <MarkButton
            pressed={mark === 'ruleOut'}
            label={wording.ruleOut(sayComponent(section))}
            onClick={() => onMark(mark === 'ruleOut' ? null : 'ruleOut')}
          >
            {mark === 'ruleOut' ? wording.out : common.ruleOut}
          </MarkButton>
        </div>
      </div>
    </li>
  );
}

/** The room, and the campus where the room does not say it. */
function roomOf(line: MeetingLine, campusName: (id: string) => string): string {
  const campus = line.campus ? campusName(line.campus) : '';
  if (line.room === '') return campus;
  return campus === '' || line.room.startsWith(campus) ? line.room : `${line.room}, ${campus}`;
}

function remarksOf(section: Section, goesWith: readonly string[]): string {
  return [
    section.component,
    joinAnd(section.instructors),
    section.mode === 'inPerson' ? '' : sayMode(section.mode),
    section.credits === null ? '' : wording.creditsCr(section.credits),
    goesWith.length > 0 ? wording.withGoesWith(joinOr(goesWith)) : '',
    section.consent ? wording.needsInstructorsConsent : '',
    section.status === 'closed' ? wording.closedByRegistrar : '',
  ]
    .filter((part) => part !== '')
    .join(' · ');
}

/** Seats as a bar and in words; where they are of a shared pool, it says so. */
function Seats({ section }: { section: Section }) {
  const taken = section.capacity === 0 ? 1 : 1 - section.freeSeats / section.capacity;
  return (
    <>
      <div className="h-1.5 w-full rounded-[1px] bg-hair" aria-hidden="true">
        <div
          className="h-full rounded-[1px] bg-mute"
          style={{ width: `${Math.round(Math.min(1, Math.max(0, taken)) * 100)}%` }}
        />
      </div>
      <div className={`text-12 ${section.freeSeats === 0 ? 'font-strong' : 'text-mute'}`}>
        {saySeats(section)}
      </div>
      <div className="text-12 text-mute empty:hidden">{sayWaitlist(section)}</div>
      {section.seatsShared !== null && (
        <div className="text-11 text-mute">{wording.seatsShared(section.seatsShared)}</div>
      )}
    </>
  );
}

/** The days as a row of letters, the ones it meets on filled. */
function DayLetters({ all, on }: { all: readonly Day[]; on: readonly Day[] }) {
  return (
    <span className="flex gap-px">
      <span className="sr-only">{on.map(fullDay).join(', ')}</span>
      {all.map((day) => (
        <span
          key={day}
          aria-hidden="true"
          title={sayDays(on)}
          className={`flex size-4 items-center justify-center rounded-[2px] text-11 ${
            on.includes(day) ? 'bg-ink font-heavy text-sheet' : 'bg-hair text-mute'
          }`}
        >
          {shortDay(day).slice(0, 1)}
        </span>
      ))}
    </span>
  );
}
