import { type CSSProperties, type ReactNode, useMemo, useState } from 'react';
import type { Choice } from '@/api/client';
import { axisFitting } from '@/grid/axis';
import { classesOf } from '@/grid/classes';
import { WeekView } from '@/grid/WeekView';
import { tellWeek } from '@/grid/tellWeek';
import { copyText } from '@/lib/copyText';
import { useUndoKeys } from '@/lib/useUndoKeys';
import { ExportMenu } from '@/domain/ExportMenu';
import { factsOf } from '@/domain/facts';
import { dropChoice } from '@/domain/picks';
import { rulesOf } from '@/domain/rules';
import { sayBroken } from '@/domain/sayBroken';
import { numbersOf } from '@/domain/shortlist';
import { useCampusNames } from '@/domain/useCampusNames';
import { SavedState } from '@/domain/SavedState';
import { useOpenIn } from '@/domain/useOpenIn';
import type { PicksEdits } from '@/domain/usePicks';
import { placed } from '@/domain/useSections';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { MenuItem } from '@/ui/Menu';
import { Scroller } from '@/ui/Scroller';
import { UndoRedoButtons } from '@/ui/UndoRedoButtons';
import { CalendarAddress } from './CalendarAddress';
import { Chooser } from './Chooser';
import { Second } from './Second';
import { SectionTable } from './SectionTable';
import { useChoice } from './useChoice';
import { wording } from '@/wording/registration/PlannedPage';
import { common } from '@/wording/common';

type Props = { visit: TermVisit; choice: Choice; edits: PicksEdits; children: ReactNode };

/** The choice as a plan, where nothing is known of the registrar: the week, the sections in their order, and fallbacks. */
export function PlannedPage({ visit, choice, edits, children }: Props) {
  const { term } = visit;
  const view = useChoice(visit, choice, none);
  const classes = useMemo(
    () => classesOf(placed(view.sections, numbersOf(choice.timetable))),
    [view.sections, choice],
  );
  const axis = axisFitting(classes);
  const campusName = useCampusNames();
  const openIn = useOpenIn(term.id);
  const [copied, setCopied] = useState(false);
  const [isAddressing, setIsAddressing] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  useUndoKeys(edits);
  const rules = Object.values(rulesOf(view.ask, campusName)).flat();
  const against = view.state ? sayBroken(choice.timetable, view.state, view.ask, rules) : [];
  const inOrder = view.ordered.map((one) => one.section.number);
  const copy = () =>
    void copyText(inOrder.join('\n')).then(
      () => setCopied(true),
      () => setProblem(wording.browserDidNotLetNumbers),
    );
  const goOn = () =>
    void openIn(choice.sketch, numbersOf(choice.timetable)).catch((error: unknown) =>
      setProblem(error instanceof Error ? error.message : wording.sketchCouldNotBeOpened),
    );
  return (
    <main
      className="flex min-h-0 flex-1 flex-col overflow-y-auto print:[zoom:var(--fit)] print:overflow-visible"
      style={{ '--fit': fitOnPage(choice, axis.days.length, against.length) } as CSSProperties}
    >
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-rule px-4 py-2 print:border-0 print:px-0 print:py-0">
        <h1 className="leading-tight">
          <span className="text-16 font-heavy">{choice.timetable.name}</span>
          <span className="block text-12 text-mute">{wording.choiceForPlanNothingRegistered(term.name)}</span>
        </h1>
        {view.state?.measures && (
          <dl className="flex flex-wrap gap-x-4 gap-y-1">
            {factsOf({ measures: view.state.measures, credits: view.state.credits }).map((fact) => (
              <div key={fact.name} className="flex flex-col-reverse">
                <dt className="text-11 whitespace-nowrap text-mute">{fact.name}</dt>
                <dd className="text-14 font-heavy whitespace-nowrap">{fact.value}</dd>
              </div>
            ))}
          </dl>
        )}
        <div className="ml-auto flex flex-wrap items-center gap-1.5 print:hidden">
          <SavedState edits={edits} />
          <UndoRedoButtons
            canUndo={edits.canUndo}
            canRedo={edits.canRedo}
            onUndo={edits.undo}
            onRedo={edits.redo}
          />
          <Chooser visit={visit} edits={edits} isQuiet />
          {view.own && <Button onClick={goOn}>{wording.goOnFromHere}</Button>}
          <Button onClick={() => edits.change(dropChoice)}>{wording.chooseNone}</Button>
          <Button onClick={() => window.print()}>{wording.print}</Button>
          <ExportMenu
            term={term.id}
            name={choice.timetable.name}
            numbers={numbersOf(choice.timetable)}
            sections={view.sections}
            trigger={<Button>{wording.export}</Button>}
          >
            <MenuItem onSelect={() => setIsAddressing(true)}>{wording.calendarAddress}</MenuItem>
          </ExportMenu>
          <Button look="main" onClick={copy}>
            {copied ? common.copied : wording.copyAllNumbers(inOrder.length)}
          </Button>
        </div>
      </header>
      {children}
      {[problem, view.problem?.message ?? null].map(
        (text) =>
          text !== null && (
            <p
              key={text}
              role="alert"
              className="border-b border-brick bg-sheet px-4 py-1.5 text-12 text-brick"
            >
              {text}{' '}
              {text === view.problem?.message && (
                <Button look="quiet" onClick={view.retry}>
                  {common.tryAgain}
                </Button>
              )}
            </p>
          ),
      )}
      {against.map((text) => (
        <p key={text} className="px-4 pt-1.5 text-12 text-brick print:px-0">
          {text}
        </p>
      ))}
      {choice.timetable.note !== '' && (
        <p className="px-4 pt-1.5 text-12 whitespace-pre-wrap text-mute print:px-0">
          {choice.timetable.note}
        </p>
      )}
      <Scroller
        label={wording.week}
        className="flex min-h-[360px] shrink-0 print:min-h-0 print:overflow-visible"
      >
        <WeekView axis={axis} classes={classes} weekCount={term.weeks} label={wording.weekOfChoice} />
      </Scroller>
      <p className="sr-only">{tellWeek(axis, classes, term.weeks)}</p>
      <SectionTable visit={visit} choice={choice} view={view} edits={edits} />
      {isAddressing && <CalendarAddress term={term.id} onClose={() => setIsAddressing(false)} />}
      <Second visit={visit} choice={choice} view={view} edits={edits} />
    </main>
  );
}

const none: readonly string[] = [];

/** Pixels of an A4 page on its side, within its margins. */
const pageHeight = 700;

/** How much smaller it has to be to go on one page, from what each part of it takes at most. */
function fitOnPage(choice: Choice, days: number, lines: number): number {
  const week = 70 + 68 * days;
  const list = 84 + 21 * choice.timetable.sections.length + 24 * choice.fallbacks.length;
  const rest = 18 * (lines + choice.timetable.note.split('\n').length) + (choice.second ? 70 : 0);
  return Math.min(1, pageHeight / (week + list + rest));
}
