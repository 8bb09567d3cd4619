import { useQuery } from '@tanstack/react-query';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { PutBy, PutByState, Sketch } from '@/api/client';
import { nearestQuery } from '@/api/putByQueries';
import type { Axis } from '@/grid/axis';
import { classesOf } from '@/grid/classes';
import { WeekPicture } from '@/grid/WeekPicture';
import { ExportMenu } from '@/domain/ExportMenu';
import { sayFacts } from '@/domain/facts';
import { choose, isInLineUp, takeOut } from '@/domain/picks';
import type { Rule } from '@/domain/rules';
import { sayBroken } from '@/domain/sayBroken';
import { changePutBy, numbersOf, removePutBy, seenOf } from '@/domain/shortlist';
import { usePicks } from '@/domain/usePicks';
import { placed, type Sections } from '@/domain/useSections';
import type { Edits } from '@/domain/useSketchEdits';
import { sayAll } from '@/domain/rulePaths';
import { Button } from '@/ui/Button';
import { IconButton } from '@/ui/IconButton';
import type { ShortlistActions } from './useShortlist';
import { wording } from '@/wording/workbench/ShortlistRow';
import { common } from '@/wording/common';

type Props = {
  one: PutBy;
  /** How it stands; null until it is known. */
  state: PutByState | null;
  sketch: Sketch;
  rules: readonly Rule[];
  sections: Sections;
  axis: Axis;
  weekCount: number;
  edits: Edits;
  actions: ShortlistActions;
  isNaming: boolean;
  onMove: (by: 1 | -1) => void;
  onShown: () => void;
};

/** One timetable put by. */
export function ShortlistRow(props: Props) {
  const { one, state, sketch, rules, sections, axis, weekCount, edits, actions, isNaming, onMove, onShown } =
    props;
  const picks = usePicks(sketch.term);
  const navigate = useNavigate();
  const numbers = numbersOf(one);
  const entry = { sketch: sketch.id, timetable: one.id };
  const inLineUp = isInLineUp(picks.picks, entry);
  const against = state ? sayBroken(one, state, sketch.ask, rules) : [];
  const isMoved = state !== null && state.moved.length > 0 && state.gone.length === 0;
  return (
    <li className="flex gap-4 border-t border-hair py-3 max-md:flex-col">
      <div className="w-[168px] shrink-0">
        <WeekPicture axis={axis} classes={classesOf(placed(sections, numbers))} weekCount={weekCount} />
      </div>
      <div className="min-w-0 flex-1">
        <TextField
          label={wording.name}
          value={one.name}
          longest={80}
          isFocused={isNaming}
          className="w-full text-14 font-heavy"
          onChange={(name) =>
            name.trim() !== '' &&
            edits.changeShortlist((now) => changePutBy(now, one.id, { name: name.trim() }))
          }
        />
        <TextField
          label={wording.note}
          value={one.note}
          longest={1000}
          placeholder={wording.aNote}
          className="w-full text-12"
          onChange={(note) => edits.changeShortlist((now) => changePutBy(now, one.id, { note }))}
        />
        {state?.measures && (
          <p className="mt-1 text-12 text-mute">
            {sayFacts({ measures: state.measures, credits: state.credits })}
          </p>
        )}
        {against.map((text) => (
          <p key={text} className="mt-1 text-12 text-brick">
            {text}
          </p>
        ))}
        <div className="mt-2 flex flex-wrap gap-1.5">
          {state?.holds && (
            <Button onClick={() => void actions.show(numbers).then((shown) => shown && onShown())}>
              {wording.showOnGrid}
            </Button>
          )}
          {state && !state.holds && (
            <NearestButton sketch={sketch} numbers={numbers} actions={actions} onShown={onShown} />
          )}
          {isMoved && (
            <Button
              onClick={() =>
                edits.changeShortlist((now) =>
                  changePutBy(now, one.id, { sections: seenOf(placed(sections, numbers)) }),
                )
              }
            >
              {wording.takeAsNow}
            </Button>
          )}
          <Button
            aria-pressed={inLineUp}
            onClick={() =>
              inLineUp ? picks.change((now) => takeOut(now, entry)) : void actions.addToLineUp(one)
            }
          >
            {wording.inLineUp}
          </Button>
          <ExportMenu
            term={sketch.term}
            name={one.name}
            numbers={numbers}
            sections={sections}
            trigger={<Button>{wording.export}</Button>}
          />
          {state?.isTimetable && (
            <Button
              onClick={() => {
                picks.change((now) => choose(now, sketch.id, one));
                void navigate(`/${sketch.term}/registration`);
              }}
            >
              {wording.choose}
            </Button>
          )}
        </div>
      </div>
      <div className="flex shrink-0 items-start gap-1">
        <IconButton isFramed label={wording.moveUp(one.name)} onClick={() => onMove(-1)}>
          <ArrowUp size={15} aria-hidden="true" />
        </IconButton>
        <IconButton isFramed label={wording.moveDown(one.name)} onClick={() => onMove(1)}>
          <ArrowDown size={15} aria-hidden="true" />
        </IconButton>
        <Button onClick={() => edits.changeShortlist((now) => removePutBy(now, one.id))}>
          {common.remove}
        </Button>
      </div>
    </li>
  );
}

type NearestProps = {
  sketch: Sketch;
  numbers: readonly string[];
  actions: ShortlistActions;
  onShown: () => void;
};

/** The nearest timetable that holds, and in which courses it is another one. */
function NearestButton({ sketch, numbers, actions, onShown }: NearestProps) {
  const nearest = useQuery(nearestQuery(sketch.ask, numbers));
  const sections = nearest.data?.sections;
  if (nearest.isError) return <span className="self-center text-12 text-mute">{nearest.error.message}</span>;
  if (!nearest.data) return null;
  if (!sections)
    return <span className="self-center text-12 text-mute">{wording.noTimetablePossibleNow}</span>;
  return (
    <Button onClick={() => void actions.show(sections).then((shown) => shown && onShown())}>
      {wording.showNearestHolds(sayChanged(nearest.data.changed))}
    </Button>
  );
}

function sayChanged(courses: readonly string[]): string {
  if (courses.length === 0) return '';
  if (courses.length > 3) return wording.coursesChange(courses.length);
  return wording.theseChange(sayAll(courses), courses.length === 1);
}

type FieldProps = {
  label: string;
  value: string;
  longest: number;
  placeholder?: string;
  isFocused?: boolean;
  className: string;
  onChange: (value: string) => void;
};

/** A line of text that is changed when it is left. */
function TextField({
  label,
  value,
  longest,
  placeholder,
  isFocused = false,
  className,
  onChange,
}: FieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (!isFocused) return;
    field.current?.focus();
    field.current?.select();
  }, [isFocused]);
  return (
    <input
      ref={field}
      aria-label={label}
      value={typed ?? value}
      maxLength={longest}
      placeholder={placeholder}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => {
        if (typed !== null && typed !== value) onChange(typed);
        setTyped(null);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape' && typed !== null) {
          event.stopPropagation();
          setTyped(null);
        }
      }}
      className={`rounded-[3px] border border-transparent bg-transparent px-1 py-0.5 placeholder:text-mute hover:border-rule focus:border-rule focus:bg-paper ${className}`}
    />
  );
}
