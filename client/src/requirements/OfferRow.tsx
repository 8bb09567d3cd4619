import { Link } from 'react-router';
import type { Fit, OfferedFor, Plan, StripTerm } from '@/api/client';
import { sayCredits } from '@/domain/credits';
import { Recommended } from '@/domain/Recommended';
import { addCourse, removeCourse, sayRole, wantedOf } from '@/domain/edits';
import type { TermVisit } from '@/domain/useTermVisit';
import { sayStamp, WeekStamp } from '@/grid/WeekStamp';
import { Button } from '@/ui/Button';
import { counted } from '@/wording/counted';
import { sayCount, sayLeast } from '@/wording/counts';
import { PutIntoTerm } from './PutIntoTerm';
import type { DoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/OfferRow';
import { common } from '@/wording/common';

/** Names that are told one by one; of more the number is said. */
const mostNames = 3;

function firstOf(names: readonly string[]): string {
  const first = names.slice(0, mostNames).join(', ');
  return names.length <= mostNames ? first : `${first} ${common.andMore(names.length - mostNames)}`;
}

type Props = {
  offer: OfferedFor;
  /** Why the adviser recommends it; undefined where that is not so. */
  recommended: string | undefined;
  visit: TermVisit;
  fit: Fit | undefined;
  plan: Plan;
  terms: readonly StripTerm[];
  here: DoneHere;
};

/** A course that the term offers for a requirement: what it settles, whether one may take it, where it fits. */
export function OfferRow({ offer, recommended, visit, fit, plan, terms, here }: Props) {
  const { found } = offer;
  const { term, sketch } = visit;
  const wanted = wantedOf(sketch.ask, found.id);
  const isMust = wanted?.role === 'must';
  const facts = [
    sayCredits(found.minCredits, found.maxCredits),
    wording.withSeats(found.sectionsWithSeat, counted.sections(found.sections)),
    offer.alsoCountsAs.length > 0 && wording.alsoCountsAs(firstOf(offer.alsoCountsAs)),
  ].filter((part) => typeof part === 'string');
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair py-2">
      <Link
        to={`/${term.id}/catalogue?course=${encodeURIComponent(found.id)}`}
        className={`w-[72px] shrink-0 font-heavy hover:text-plum ${offer.isEligible ? '' : 'text-mute'}`}
      >
        {found.id}
      </Link>
      <div className="min-w-40 flex-1">
        <p className={`font-strong break-words ${offer.isEligible ? '' : 'text-mute'}`}>{found.title}</p>
        <p className="text-12 text-mute">{facts.join(' · ')}</p>
        <Recommended words={recommended} />
        {[...offer.findings, ...(offer.ifPassed === null ? [] : [offer.ifPassed])].map((sentence) => (
          <p key={sentence} className="text-12">
            {sentence}
          </p>
        ))}
      </div>
      <span className="h-10 w-[100px] shrink-0 max-lg:hidden">
        <WeekStamp stamp={found.stamp} />
      </span>
      <span className="sr-only">{sayStamp(found.stamp)}</span>
      <div className="w-[132px] shrink-0">
        {offer.isEligible ? (
          <p>
            {fit ? (
              <>
                <span className={`font-heavy ${fit.timetables === '0' && fit.isExact ? 'text-brick' : ''}`}>
                  {sayLeast(fit.timetables, fit.isExact)}
                </span>{' '}
                {wording.timetables(sayCount(fit.timetables))}
              </>
            ) : (
              <span className="text-mute">{wording.counting}</span>
            )}
          </p>
        ) : (
          <p className="text-mute">{wording.notYet}</p>
        )}
        {offer.isEligible && fit?.whyNot && <p className="text-11 leading-tight text-mute">{fit.whyNot}</p>}
        {offer.settles > 0 && (
          <p
            className={`text-12 ${offer.settles > found.minCredits ? 'font-strong text-plum' : 'text-mute'}`}
          >
            {wording.settles(counted.credits(offer.settles))}
          </p>
        )}
      </div>
      <div className="ml-auto flex shrink-0 items-center gap-1">
        {isMust ? (
          <Button
            look="quiet"
            onClick={() =>
              here.changeSketch(wording.takenOut(found.id, sketch.name), (now) => removeCourse(now, found.id))
            }
          >
            {wording.takeOut(found.id)}
          </Button>
        ) : (
          <Button
            aria-label={wording.addAs(found.id, sketch.name)}
            title={wanted ? wording.nowInSketch(sayRole(wanted.role).toLowerCase()) : undefined}
            onClick={() =>
              here.changeSketch(wording.added(found.id, sketch.name), (now) => addCourse(now, found.id))
            }
          >
            {wording.add}
          </Button>
        )}
        <PutIntoTerm what={{ course: found.id }} name={found.id} plan={plan} terms={terms} here={here} />
      </div>
    </li>
  );
}
