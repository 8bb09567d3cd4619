import { useQuery } from '@tanstack/react-query';
import type { Plan, RequirementNode, StripTerm } from '@/api/client';
import { answerQuery, countKeyOf } from '@/api/answerQueries';
import { offersForQuery } from '@/api/requirementQueries';
import { askForOneOf, withoutRequirement } from '@/domain/edits';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { Failure, Loading } from '@/ui/States';
import { counted } from '@/wording/counted';
import { knownTimetables } from '@/wording/counts';
import { OfferRow } from './OfferRow';
import { PutIntoTerm } from './PutIntoTerm';
import { sayGiven, sayNeed, sayState } from './sayNode';
import type { DoneHere } from './useDoneHere';
import { useAdvice } from '@/domain/useAdvice';
import { useFits } from '@/domain/useFits';
import { wording } from '@/wording/requirements/LeafPanel';

/** As many courses as one either–or takes. */
const mostAskedFor = 60;

type Props = {
  visit: TermVisit;
  programme: string;
  leaf: RequirementNode;
  plan: Plan;
  /** This term and those ahead. */
  terms: readonly StripTerm[];
  here: DoneHere;
};

/** One requirement: what counts for it, and what this term offers for it. */
export function LeafPanel({ visit, programme, leaf, plan, terms, here }: Props) {
  const { term, sketch } = visit;
  const { ask } = sketch;
  const query = useQuery(offersForQuery(term.id, programme, leaf.id, plan));
  const known = query.data?.requirement === leaf.id ? query.data.courses : null;
  const offers = known ?? [];
  const eligible = offers.filter((one) => one.isEligible);
  const settling = offers.filter((one) => one.settles > 0);
  const { recommended } = useAdvice(term.id);
  const fits = useFits(
    ask,
    eligible.map((one) => one.found.id),
  );
  const askedFor = eligible.slice(0, mostAskedFor).map((one) => one.found.id);
  const isAsked = ask.eitherOr.some((choice) => choice.label === leaf.name);
  const asking = askForOneOf(ask, leaf.name, askedFor);
  const count = useQuery({ ...answerQuery(asking), enabled: askedFor.length > 0 });
  const counts = count.data?.key === countKeyOf(asking) ? count.data.answer : null;
  if (query.isError && known === null)
    return (
      <Failure what={wording.offersNotRead} problem={query.error} onRetry={() => void query.refetch()} />
    );
  if (known === null) return <Loading />;
  return (
    <article aria-labelledby="leaf-name" className="px-4 py-3 max-md:p-0">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 id="leaf-name" className="min-w-0 text-16 leading-snug font-heavy break-words max-md:sr-only">
          {leaf.name}
        </h2>
        <p>
          {sayState(leaf)}{' '}
          <span className="text-mute">
            {wording.asksFor(sayNeed(leaf))}
            {leaf.courses.length > 0 && wording.counting(leaf.courses.map(sayGiven).join(', '))}
          </span>
        </p>
      </div>
      <p className="mt-1 text-mute" role="status">
        {offers.length === 0
          ? wording.nothingOffered(term.name)
          : leaf.state === 'short'
            ? wording.wouldSettle(counted.courses(settling.length), term.name, eligible.length)
            : wording.couldTake(counted.courses(offers.length), term.name, eligible.length)}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {isAsked ? (
          <Button
            onClick={() =>
              here.changeSketch(wording.notAskedAnyMore(leaf.name, sketch.name), (now) =>
                withoutRequirement(now, leaf.name),
              )
            }
          >
            {wording.takeOutOf(sketch.name)}
          </Button>
        ) : (
          askedFor.length > 0 && (
            <Button
              look="main"
              onClick={() =>
                here.changeSketch(wording.asked(leaf.name, sketch.name), (now) =>
                  askForOneOf(now, leaf.name, askedFor),
                )
              }
            >
              {askedFor.length === 1 ? wording.askForThis : wording.askForOneOf(askedFor.length)}
            </Button>
          )
        )}
        <PutIntoTerm
          label={wording.putIntoTerm}
          what={{ programme, requirement: leaf.id }}
          name={leaf.name}
          plan={plan}
          terms={terms}
          here={here}
        />
        {askedFor.length > 0 && (
          <p className="min-w-0 text-mute" role="status">
            {counts ? (
              <>
                {wording.everyTimetableThatSettles(sketch.name)}{' '}
                <span className="font-heavy text-ink">{knownTimetables(counts)}</span>
              </>
            ) : count.isError ? (
              count.error.message
            ) : (
              wording.counting2
            )}
          </p>
        )}
      </div>
      {eligible.length > mostAskedFor && (
        <p className="mt-1 text-12 text-mute">{wording.firstOf(mostAskedFor)}</p>
      )}
      <ul className="mt-3 border-t border-hair" aria-label={wording.offered(leaf.name)}>
        {offers.map((offer) => (
          <OfferRow
            key={offer.found.id}
            offer={offer}
            recommended={recommended.get(offer.found.id)}
            visit={visit}
            fit={fits.get(offer.found.id)}
            plan={plan}
            terms={terms}
            here={here}
          />
        ))}
      </ul>
    </article>
  );
}
