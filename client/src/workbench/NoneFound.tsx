import { useQuery } from '@tanstack/react-query';
import { Fragment } from 'react';
import type { Answer, Ask, NearestWeek } from '@/api/client';
import { whyQuery } from '@/api/answerQueries';
import { liftRules, type Rule } from '@/domain/rules';
import { Button } from '@/ui/Button';
import { sayAll, sayPath } from '@/domain/rulePaths';
import { wording } from '@/wording/workbench/NoneFound';
import { counted } from '@/wording/counted';

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
      <h2 className="text-16 font-heavy">{wording.noTimetablePossible}</h2>
      {answer.clashes.length > 0 && (
        <p className="mt-1 text-brick">
          {wording.betweenSectionsKeepEachMarked(counted.conflicts(answer.clashes.length))}
        </p>
      )}
      {dead.length > 0 && (
        <p className="mt-1">
          {wording.cannotBeTakenEvenAlone(sayAll(dead.map((one) => one.course)), dead.length === 1)}
        </p>
      )}
      {why.isError && <p className="mt-1 text-mute">{why.error.message}</p>}
      {together.length > 0 && (
        <p className="mt-1 text-mute">
          {together.length === 1 ? wording.notPossible : wording.theseNotPossibleTogether}
          {together.map((path, i) => (
            <Fragment key={path}>
              {i > 0 && (i === together.length - 1 ? wording.and : ', ')}
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
          {wording.nearestWeekStandsFaintly(
            sayAll(nearest.broken.map((path) => sayPath(path, ask, rules).name)),
            nearest.isExact ? '' : wording.asFarAsCouldBe,
          )}
          <button
            type="button"
            onClick={onTakeNearest}
            className="min-h-6 font-strong text-plum hover:underline"
          >
            {wording.takeWeek}
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
            <span className="ml-1.5 font-text text-mute">{counted.timetables(way.timetables)}</span>
          </Button>
        ))}
        {canUndo && (
          <Button look="quiet" onClick={onUndo}>
            {wording.undoLastChange}
          </Button>
        )}
      </div>
      {ways.length > mostOffered && (
        <p className="mt-1 text-12 text-mute">{wording.moreWays(ways.length - mostOffered)}</p>
      )}
      {why.data && ways.length === 0 && (
        <p className="mt-2 text-12 text-mute">{wording.noSingleChangeAndNo}</p>
      )}
    </div>
  );
}

function lower(text: string): string {
  return text.slice(0, 1).toLowerCase() + text.slice(1);
}
