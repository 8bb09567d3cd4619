import type { Choice } from '@/api/client';
import { axisFitting } from '@/grid/axis';
import { classesOf } from '@/grid/classes';
import { WeekPicture } from '@/grid/WeekPicture';
import { setSecond } from '@/domain/picks';
import { numbersOf } from '@/domain/shortlist';
import type { PicksEdits } from '@/domain/usePicks';
import { placed } from '@/domain/useSections';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { Menu, MenuItem } from '@/ui/Menu';
import type { ChoiceView } from './useChoice';
import { wording } from '@/wording/registration/Second';

type Props = { visit: TermVisit; choice: Choice; view: ChoiceView; edits: PicksEdits };

/** A whole second timetable behind the choice, for when it falls through altogether. */
export function Second({ visit, choice, view, edits }: Props) {
  const { second } = choice;
  const chosen = numbersOf(choice.timetable).join();
  const others = visit.sketches
    .flatMap((sketch) => sketch.shortlist)
    .filter((one) => numbersOf(one).join() !== chosen && one.id !== second?.id);
  const classes = classesOf(placed(view.sections, second ? numbersOf(second) : []));
  return (
    <section
      aria-label={wording.secondTimetable}
      className={`px-4 pt-4 pb-6 print:px-0 print:pt-1 print:pb-0 ${second ? '' : 'print:hidden'}`}
    >
      <h2 className="text-14 font-heavy">{wording.ifAllFallsThrough}</h2>
      <div className="mt-1 flex flex-wrap items-start gap-4 text-12">
        {second ? (
          <>
            <div className="w-[168px] print:hidden">
              <WeekPicture axis={axisFitting(classes)} classes={classes} weekCount={visit.term.weeks} />
            </div>
            <div className="min-w-0 flex-1">
              <p className="font-strong">{second.name}</p>
              <p className="mt-0.5">
                {second.sections
                  .map((section) => `${section.number} ${section.course} ${section.label}`)
                  .join(' · ')}
              </p>
            </div>
          </>
        ) : (
          <p className="text-mute">
            {others.length > 0
              ? wording.wholeSecondTimetableCanStand
              : wording.putAnotherTimetableOnShortlist}
          </p>
        )}
        <div className="flex gap-1.5 print:hidden">
          {others.length > 0 && (
            <Menu trigger={<Button>{second ? wording.changeSecondPlan : wording.addSecondPlan}</Button>}>
              <div className="max-h-[40vh] overflow-y-auto">
                {others.map((one) => (
                  <MenuItem key={one.id} onSelect={() => edits.change((now) => setSecond(now, one))}>
                    {one.name}
                  </MenuItem>
                ))}
              </div>
            </Menu>
          )}
          {second && (
            <Button onClick={() => edits.change((now) => setSecond(now, null))}>{wording.none}</Button>
          )}
        </div>
      </div>
    </section>
  );
}
