import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { Sketch, Term, TimeBlock } from '@/api/client';
import { termsQuery } from '@/api/queries';
import type { GridClass } from '@/grid/classes';
import { tellWeek } from '@/grid/tellWeek';
import { knownTimetables, sayKnown } from '@/wording/counts';
import { useIsNarrow } from '@/lib/useIsNarrow';
import { useUndoKeys } from '@/lib/useUndoKeys';
import { useStable } from '@/lib/useStable';
import { markSection, replaceBlock } from '@/domain/edits';
import { liftRules, rulesOf } from '@/domain/rules';
import { useCampusNames } from '@/domain/useCampusNames';
import { useCourseColours } from '@/domain/useCourseColours';
import { useSections } from '@/domain/useSections';
import { useSketchEdits } from '@/domain/useSketchEdits';
import { useWalk } from '@/domain/useWalk';
import { Asking } from './Asking';
import { AskingPane } from './AskingPane';
import { BlockForm } from './BlockForm';
import { CalendarHours } from './CalendarHours';
import { ChangeBar } from './ChangeBar';
import { ClassMenu } from './ClassMenu';
import { DeletedSketch } from './DeletedSketch';
import { type SketchDialog, SketchDialogs } from './SketchDialogs';
import { SketchWeek } from './SketchWeek';
import { Facts } from './Facts';
import { GridTools } from './GridTools';
import { Possible } from './Possible';
import { Reel } from './Reel';
import { UnderGrid } from './UnderGrid';
import { useAskedNow } from './useAskedNow';
import { useCalendarPreview } from './useCalendarPreview';
import { useSketchActions } from './useSketchActions';
import { useGridView } from './useGridView';
import { useDetails } from './useDetails';
import { useGridState } from './useGridState';
import { useNearestWeek } from './useNearestWeek';
import { usePointed } from './usePointed';
import { useShortcuts } from './useShortcuts';
import { useShortlist } from './useShortlist';
import { useShowTimetable } from './useShowTimetable';
import { WhatMatters } from './WhatMatters';
import { wording } from '@/wording/workbench/OpenSketch';

type Props = { term: Term; sketch: Sketch };

/** A dialog, or on a phone what I ask. */
type Shown = SketchDialog | 'asking';

/** One sketch on the Workbench: what I ask on the left, what is possible on the right. */
export function OpenSketch({ term, sketch }: Props) {
  const { ask } = sketch;
  const preview = useCalendarPreview(term);
  const { withPicked, open: openPreview, close: closePreview } = preview;
  const { asked, drawn, draw, without, setWithout, weighed, setWeighed } = useAskedNow(ask, withPicked);
  const [openBlock, setOpenBlock] = useState<TimeBlock | 'new' | null>(null);
  const [openCourse, setOpenCourse] = useState<string | null>(null);
  const [shown, setShown] = useState<Shown | null>(null);
  const { pressed, setPressed, pointed, setPointed, pointedSection, setPointedSection } = usePointed();
  const gridState = useGridState();
  const { week, setWeek, byHand, setByHand, drawing } = gridState;
  const findCourse = useRef<HTMLInputElement>(null);
  const isNarrow = useIsNarrow();
  const campusName = useCampusNames();
  const terms = useQuery(termsQuery);

  const walk = useWalk(sketch.id, asked);
  const details = useDetails(asked, !walk.isBehind && walk.answer !== null);
  const edits = useSketchEdits(sketch);
  const { change } = edits;
  const colours = useCourseColours(
    sketch.id,
    ask.wanted.map((wanted) => wanted.course),
  );
  const sections = useSections(term.id, colours);
  const rules = useMemo(() => Object.values(rulesOf(asked, campusName)).flat(), [asked, campusName]);
  const shortlist = useShortlist({ sketch, walk, sections, edits, onOpen: () => setShown('shortlist') });
  useShowTimetable(walk, shortlist.show);
  const keep = (course: string, number: string) => change((now) => markSection(now, course, number, 'keep'));
  const nearest = useNearestWeek(walk, byHand);
  const view = useGridView({
    term,
    ask,
    offered: preview.offered,
    walk,
    sections,
    week,
    byHand,
    nearest,
    openCourse,
    pointed,
    pointedSection,
    // Places of an older ask would be offered that lead nowhere now.
    standings: details.isBehind ? null : details.standings,
    keep,
  });

  // Stable, so that what is asked is not drawn anew with every answer.
  const openCalendar = useCallback(
    (file: File) => {
      setShown(null);
      openPreview(file);
    },
    [openPreview],
  );

  // The sheet of a phone gives the focus to its first field by itself.
  const goToCourses = () => {
    if (isNarrow) setShown('asking');
    else findCourse.current?.focus();
  };

  const showRule = (path: string) => {
    if (isNarrow) setShown('asking');
    const course = ask.wanted[Number(/^wanted\[(\d+)\]/.exec(path)?.[1])]?.course;
    const rule = rules.find((one) => one.path === path);
    requestAnimationFrame(() => {
      const row = document.querySelector(
        course ? `[data-course="${CSS.escape(course)}"]` : `[data-rule="${CSS.escape(rule?.key ?? '')}"]`,
      );
      row?.scrollIntoView({ block: 'nearest' });
      row?.querySelector<HTMLElement>('button, input')?.focus();
    });
  };

  const takeNearest = () => {
    if (nearest) change((now) => liftRules(withPicked(now), nearest.broken, rules));
    closePreview();
  };
  const { showKeys, press, lookAlikes } = useStable({
    showKeys: () => setShown('keys'),
    press: (one: GridClass, element: HTMLElement) => {
      if (nearest) takeNearest();
      else setPressed({ one, element });
    },
    lookAlikes: () => setShown('alikes'),
  });
  const actions = useSketchActions({
    ask,
    campus: terms.data?.campuses[0]?.id ?? '',
    openCourse: (course) => {
      setOpenCourse(course);
      showRule(`wanted[${ask.wanted.findIndex((one) => one.course === course)}]`);
    },
    goToSketches: () => {
      if (isNarrow) setShown('asking');
      requestAnimationFrame(() => document.querySelector<HTMLElement>('[aria-label^="Sketch:"]')?.focus());
    },
    walk,
    edits,
    pointed,
    goToCourses,
    gridState,
    weekCount: term.weeks,
    show: setShown,
    newBlock: () => setOpenBlock('new'),
    shortlist,
  });
  useShortcuts(actions);
  useUndoKeys(edits);

  const asking = (
    <Asking
      sketch={sketch}
      answer={walk.answer}
      details={details}
      edits={edits}
      sections={sections}
      colours={colours}
      inputRef={findCourse}
      openCourse={openCourse}
      onOpenCourse={setOpenCourse}
      without={without}
      onWithout={setWithout}
      onPointSection={setPointedSection}
      onOpenBlock={setOpenBlock}
      onCalendar={openCalendar}
      onShowKeys={showKeys}
    />
  );

  const leaves = walk.known ? wording.leavesKnown(sayKnown(walk.known)) : '';
  const grid = (
    <SketchWeek
      term={term}
      ask={ask}
      view={view}
      week={week}
      onWeek={setWeek}
      onCalendar={openCalendar}
      offered={preview.offered}
      drawing={drawing}
      leaves={leaves}
      leavesNone={walk.isNone && !walk.isBehind}
      answered={drawn?.blocks ?? null}
      isBusy={walk.isBehind || walk.isInViewOld}
      onDraft={draw}
      onBlock={({ before, after }) => change((now) => replaceBlock(now, before, after))}
      onOpenBlock={setOpenBlock}
      onPointClass={setPointed}
      onPressClass={press}
    />
  );

  const { inView } = walk;
  return (
    <div className="flex min-h-0 flex-1 max-md:flex-col">
      <AskingPane
        sketchName={sketch.name}
        note={<DeletedSketch term={sketch.term} />}
        isBusy={details.isBehind}
        isOpen={shown === 'asking'}
        onOpenChange={(open) => setShown(open ? 'asking' : null)}
        instead={
          preview.file && (
            <CalendarHours
              term={term}
              preview={preview}
              leaves={walk.known ? wording.leavesKnownTimetables(knownTimetables(walk.known)) : ''}
              change={change}
            />
          )
        }
      >
        {asking}
      </AskingPane>

      <Possible
        sketch={sketch}
        walk={walk}
        edits={edits}
        isDrafting={drawn !== null}
        shortlist={shortlist}
        told={tellWeek(view.axis, view.classes, term.weeks)}
        facts={(answer) => (
          <>
            <Facts
              answer={answer}
              walk={walk}
              isDrafting={drawn !== null}
              byHand={byHand}
              onLookAlikes={lookAlikes}
              tools={
                <GridTools
                  sketch={sketch}
                  inView={inView}
                  byHand={byHand}
                  onByHand={setByHand}
                  shortlist={shortlist}
                  sections={sections}
                />
              }
            />
            <ChangeBar sketch={sketch} ask={asked} inView={inView} change={change} onShow={shortlist.show} />
          </>
        )}
        grid={grid}
        under={(answer) => (
          <UnderGrid
            sketch={sketch}
            answer={answer}
            walk={walk}
            rules={rules}
            edits={edits}
            changeAsked={(edit) => {
              change((now) => edit(withPicked(now)));
              closePreview();
            }}
            nearest={nearest}
            onTakeNearest={takeNearest}
            onFindCourse={goToCourses}
            onShowRule={showRule}
            weights={
              <WhatMatters
                weights={weighed ?? ask.weights}
                onWeigh={setWeighed}
                change={change}
                onSheet={() => setShown('sheet')}
              />
            }
            reel={
              inView && (
                <Reel
                  ask={walk.ask}
                  listed={walk.listed}
                  inView={inView}
                  sections={sections}
                  axis={view.axis}
                  weekCount={term.weeks}
                  onGo={walk.go}
                  onLookAlikes={lookAlikes}
                />
              )
            }
          />
        )}
      />

      {pressed && (
        <ClassMenu
          pressed={pressed}
          ask={ask}
          change={change}
          onPointSection={setPointedSection}
          onClose={() => {
            setPressed(null);
            setPointedSection(null);
          }}
        />
      )}
      {openBlock !== null && (
        <BlockForm
          block={openBlock === 'new' ? null : openBlock}
          weekCount={term.weeks}
          change={change}
          onClose={() => setOpenBlock(null)}
        />
      )}
      <SketchDialogs
        shown={shown === 'asking' ? null : shown}
        term={term}
        sketch={sketch}
        walk={walk}
        axis={view.axis}
        rules={rules}
        sections={sections}
        edits={edits}
        shortlist={shortlist}
        actions={actions}
        onLookAlikes={lookAlikes}
        onClose={() => setShown(null)}
      />
    </div>
  );
}
