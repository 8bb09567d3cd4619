import { ChevronLeft, ChevronRight } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import type { Answer } from '@/api/client';
import { knownTimetables, sayCount, sayKnown, sayLeast } from '@/wording/counts';
import { factsOf } from '@/domain/facts';
import type { Walk } from '@/domain/useWalk';
import { wording } from '@/wording/workbench/Facts';
import { counted } from '@/wording/counted';

type Props = {
  answer: Answer;
  walk: Walk;
  /** Whether hours are under the pointer: nothing may move then. */
  isDrafting: boolean;
  byHand: boolean;
  onLookAlikes: () => void;
  tools: ReactNode;
};

/** How many timetables there are, which is in view, and what it is like. */
export function Facts({ answer, walk, isDrafting, byHand, onLookAlikes, tools }: Props) {
  const { inView, listed, alike, isInViewOld, isSureOfBest, go: onGo } = walk;
  // While timetables are counted anew, what is known of them by now.
  const known = walk.known ?? answer;
  const isOfMany = BigInt(answer.weekShapes) > BigInt(listed);
  // Long counts have a row of their own, so that nothing moves as they change.
  const needsRow = isOfMany || !answer.isExact;
  const [isLong, setLong] = useState(needsRow);
  if (isLong !== needsRow && !isDrafting) setLong(needsRow);
  if (inView === null || byHand)
    return (
      <header className="flex min-h-[62px] items-center gap-3 border-b border-rule px-4 py-2">
        <h1 className="mr-auto leading-tight">
          <span className="text-24 font-heavy">{sayKnown(known)}</span>{' '}
          {wording.timetables(known.isExact && known.timetables === '1')}
          {byHand && <span className="block text-12 text-mute">{wording.withWhatKeepOpenCourse}</span>}
        </h1>
        {tools}
      </header>
    );
  return (
    <header className="flex min-h-[62px] flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-4 py-2">
      <div className={`flex items-center gap-2 ${isLong ? 'min-w-0 md:flex-1' : ''}`}>
        <div className="flex print:hidden">
          <WalkButton
            label={wording.betterWeekShape}
            disabled={inView.rank === 1}
            onClick={() => onGo(inView.rank - 2)}
          >
            <ChevronLeft size={18} aria-hidden="true" />
          </WalkButton>
          <WalkButton
            label={wording.nextWeekShape}
            disabled={inView.rank === listed}
            onClick={() => onGo(inView.rank)}
          >
            <ChevronRight size={18} aria-hidden="true" />
          </WalkButton>
        </div>
        <h1 className="leading-tight">
          <span className="text-24 font-heavy">
            {wording.numberSign}
            {isInViewOld ? (
              <span className="text-mute" title={wording.bestStillBeingLooked}>
                …
              </span>
            ) : (
              <Jump rank={inView.rank} listed={listed} onGo={onGo} />
            )}
          </span>{' '}
          <span className="text-14 whitespace-nowrap">
            {wording.ofPart(known === answer ? sayShapes(answer) : wording.weekShapes)}
          </span>
          <span className="block text-12 text-mute md:whitespace-nowrap">
            {knownTimetables(known)}
            {sayListed(isOfMany, listed, isSureOfBest)}
            {inView.alike !== '1' && (
              <>
                {' · '}
                <button
                  type="button"
                  onClick={onLookAlikes}
                  className="underline decoration-dotted underline-offset-2 hover:text-ink"
                >
                  {alike === 0
                    ? wording.alike(sayCount(inView.alike))
                    : wording.lookAlike(alike + 1, sayCount(inView.alike))}
                </button>
              </>
            )}
          </span>
        </h1>
      </div>
      <dl
        className={`ml-auto flex flex-wrap gap-x-3.5 gap-y-1 ${isLong ? 'max-[1599px]:order-1 max-[1599px]:ml-0 max-[1599px]:basis-full' : ''}`}
      >
        {factsOf(inView).map((fact) => (
          <div key={fact.name} className="flex flex-col-reverse">
            <dt className="text-11 whitespace-nowrap text-mute">{fact.name}</dt>
            <dd className="text-14 font-heavy whitespace-nowrap">{fact.value}</dd>
          </div>
        ))}
      </dl>
      {tools}
    </header>
  );
}

/** Which week shapes are listed, where it is not simply all of them. */
function sayListed(isOfMany: boolean, listed: number, isSure: boolean): string {
  if (!isOfMany) return isSure ? '' : wording.inBestOrderFound;
  return wording.bestListed(sayCount(listed), isSure ? '' : wording.foundInTime);
}

function sayShapes({ weekShapes, isExact }: Answer): string {
  return isExact ? counted.weekShapes(weekShapes) : wording.countedWeekShapes(sayLeast(weekShapes, isExact));
}

/** The number of the one in view, to be typed over. */
function Jump({ rank, listed, onGo }: { rank: number; listed: number; onGo: (index: number) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const go = () => {
    const number = Number(typed?.replaceAll(',', ''));
    if (typed !== null && Number.isInteger(number) && number >= 1) onGo(Math.min(number, listed) - 1);
    setTyped(null);
  };
  return (
    <input
      id="jump"
      aria-label={wording.numberOfWeekShape}
      value={typed ?? sayCount(rank)}
      inputMode="numeric"
      maxLength={6}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={go}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setTyped(null);
      }}
      className="min-w-[1ch] rounded-[3px] bg-transparent font-heavy [field-sizing:content] hover:bg-hair"
    />
  );
}

type WalkButtonProps = { label: string; disabled: boolean; onClick: () => void; children: ReactNode };

function WalkButton({ label, disabled, onClick, children }: WalkButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className="-ml-px border border-rule bg-sheet p-1.5 first:rounded-l-[4px] last:rounded-r-[4px] hover:border-ink disabled:cursor-default disabled:text-rule disabled:hover:border-rule"
    >
      {children}
    </button>
  );
}
