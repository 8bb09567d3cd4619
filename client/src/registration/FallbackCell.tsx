import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Choice, SectionSurvival, SeenSection } from '@/api/client';
import { nearestQuery } from '@/api/putByQueries';
import { type PlacedSection, sayComponent } from '@/grid/classes';
import { sayMeetings } from '@/grid/meetings';
import { markSection } from '@/domain/edits';
import { prepare } from '@/domain/picks';
import { saySeats } from '@/domain/seats';
import { numbersOf, seenOf } from '@/domain/shortlist';
import { Swap } from '@/domain/Swap';
import type { PicksEdits } from '@/domain/usePicks';
import { placed } from '@/domain/useSections';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { Menu, MenuItem } from '@/ui/Menu';
import type { ChoiceView } from './useChoice';
import { wording } from '@/wording/registration/FallbackCell';

type Props = {
  visit: TermVisit;
  choice: Choice;
  view: ChoiceView;
  edits: PicksEdits;
  one: PlacedSection;
  survival: SectionSurvival;
};

const small = 'px-2! py-0.5! text-12! whitespace-nowrap';

/** What to take if a section fills: what is prepared, or what could be. */
export function FallbackCell({ choice, view, edits, one, survival }: Props) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  const { course, section } = one;
  const prepared = choice.fallbacks.find((fallback) => fallback.section === section.number);
  const others = course.sections.filter(
    (other) =>
      other.component === section.component && other.number !== section.number && other.freeSeats > 0,
  );
  const accept = (instead: SeenSection[] | null) =>
    edits.change((now) => prepare(now, section.number, instead));

  /** The nearest timetable that holds another section in this one's place. */
  const pick = async (number: string) => {
    const without = markSection(view.ask, course.id, section.number, 'ruleOut');
    const asked = markSection(without, course.id, number, 'keep');
    try {
      const { sections } = await client.query(nearestQuery(asked, numbersOf(choice.timetable)));
      setProblem(sections ? null : wording.noTimetableSection);
      if (sections) accept(seenOf(placed(view.sections, sections)));
    } catch (error) {
      setProblem(error instanceof Error ? error.message : wording.couldNotBeLooked);
    }
  };

  return (
    <div className="flex items-start gap-x-2 gap-y-1 max-md:flex-col">
      <div className="min-w-0 flex-1">
        {prepared ? (
          <>
            <span className="font-strong">{wording.then}</span>
            <Swap held={choice.timetable.sections} instead={prepared.instead} sections={view.sections} />
          </>
        ) : survival.instead ? (
          <span className="text-mute print:hidden">
            {survival.rescue === 'straightSwap' ? wording.straightSwap : wording.onlyAnotherTimetable}
            <Swap
              held={choice.timetable.sections}
              instead={seenOf(placed(view.sections, survival.instead))}
              sections={view.sections}
            />
          </span>
        ) : (
          <span className="text-brick">{wording.nothingTakesPlace}</span>
        )}
        {problem !== null && (
          <span role="alert" className="block text-brick">
            {problem}
          </span>
        )}
      </div>
      <div className="flex gap-1 print:hidden">
        {prepared ? (
          <Button className={small} onClick={() => accept(null)}>
            {wording.drop}
          </Button>
        ) : (
          survival.instead && (
            <Button
              className={small}
              aria-label={wording.prepareFor(course.id, sayComponent(section))}
              onClick={() => accept(seenOf(placed(view.sections, survival.instead!)))}
            >
              {wording.prepare}
            </Button>
          )
        )}
        {others.length > 0 && (
          <Menu
            trigger={
              <Button className={small} aria-label={wording.pickAnother(course.id, sayComponent(section))}>
                {wording.pickAnotherShort}
              </Button>
            }
          >
            <div className="max-h-[40vh] overflow-y-auto text-12">
              {others.map((other) => (
                <MenuItem key={other.number} onSelect={() => void pick(other.number)}>
                  {sayComponent(other)}, {sayMeetings(other)}, {saySeats(other)}
                </MenuItem>
              ))}
            </div>
          </Menu>
        )}
      </div>
    </div>
  );
}
