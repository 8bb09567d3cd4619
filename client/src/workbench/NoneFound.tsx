import { useQuery } from '@tanstack/react-query';
import { Fragment } from 'react';
import type { Answer, Ask, NearestWeek } from '@/api/client';
import { whyQuery } from '@/api/answerQueries';
import { countOf } from '@/lib/count';
import { liftRules, type Rule } from '@/domain/rules';
import { Button } from '@/ui/Button';
import { sayAll, sayPath } from '@/domain/rulePaths';

type Props = {
  ask: Ask;
  answer: Answer;
  rules: readonly Rule[];
  canUndo: boolean;
  onUndo: () => void;
  change: (edit: (ask: Ask) => Ask) => void;
  /** Goes to the row of a rule. */
  onShowRule: (path: string) => void;
  /** The week that stands faintly on the grid; null where none does. */
  nearest: NearestWeek | null;
  onTakeNearest: () => void;
};

const mostOffered = 6;

/** There is no timetable: the smallest set of rules that are not possible together, and the ways out. */
export function NoneFound({
  ask,
  answer,
  rules,
  canUndo,
  onUndo,
  change,
  onShowRule,
  nearest,
  onTakeNearest,
}: Props) {
  const why = useQuery(whyQuery(ask));
  const dead = answer.courses.filter(
    (one) =>
      one.sectionsInPlay === 0 &&
      ask.wanted.some((wanted) => wanted.course === one.course && wanted.role === 'must'),
  );
  const together = why.data?.together ?? [];
  const ways = why.data?.waysOut ?? [];
  return (
    <div className="m-auto max-w-3xl px-6 py-4 text-center">
      <h2 className="text-16 font-heavy">No timetable is possible</h2>
      {answer.clashes.length > 0 && (
        <p className="mt-1 text-brick">
          {countOf(answer.clashes.length, 'conflict')} between sections you keep; each is marked on the grid
          with its minutes.
        </p>
      )}
      {dead.length > 0 && (
        <p className="mt-1">
          {sayAll(dead.map((one) => one.course))} cannot be taken even alone: none of{' '}
          {dead.length === 1 ? 'its' : 'their'} sections is left by your rules.
        </p>
      )}
      {why.isError && <p className="mt-1 text-mute">{why.error.message}</p>}
      {together.length > 0 && (
        <p className="mt-1 text-mute">
          {together.length === 1 ? 'This is not possible: ' : 'These are not possible together: '}
          {together.map((path, i) => (
            <Fragment key={path}>
              {i > 0 && (i === together.length - 1 ? ' and ' : ', ')}
              <button
                type="button"
                onClick={() => onShowRule(path)}
                className="font-strong text-ink underline decoration-dotted underline-offset-2 hover:text-plum"
              >
                {sayPath(path, ask, rules).name}
              </button>
            </Fragment>
          ))}
          .
        </p>
      )}
      {nearest && (
        <p className="mt-1">
          The nearest week stands faintly on the grid. It goes against{' '}
          {sayAll(nearest.broken.map((path) => sayPath(path, ask, rules).name))}
          {nearest.isExact ? '' : ', as far as could be found in time'}.{' '}
          <button
            type="button"
            onClick={onTakeNearest}
            className="min-h-6 font-strong text-plum hover:underline"
          >
            Take this week
          </button>
        </p>
      )}
      <div className="mt-2.5 flex flex-wrap justify-center gap-2">
        {ways.slice(0, mostOffered).map((way) => (
          <Button key={way.rules.join(' ')} onClick={() => change((now) => liftRules(now, way.rules, rules))}>
            {sayAll(
              way.rules.map((path, i) =>
                i === 0 ? sayPath(path, ask, rules).lift : lower(sayPath(path, ask, rules).lift),
              ),
            )}
            <span className="ml-1.5 font-text text-mute">{countOf(way.timetables, 'timetable')}</span>
          </Button>
        ))}
        {canUndo && (
          <Button look="quiet" onClick={onUndo}>
            Undo the last change
          </Button>
        )}
      </div>
      {ways.length > mostOffered && (
        <p className="mt-1 text-12 text-mute">and {ways.length - mostOffered} more ways</p>
      )}
      {why.data && ways.length === 0 && (
        <p className="mt-2 text-12 text-mute">
          No single change and no two together help. Set a course aside.
        </p>
      )}
    </div>
  );
}

function lower(text: string): string {
  return text.slice(0, 1).toLowerCase() + text.slice(1);
}
