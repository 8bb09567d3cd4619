import { sayCount } from '@/wording/counts';
import { isSide, loosened, type Names, sayLoosening, sides } from './narrowing';
import { type FoundCourses, mostByFit } from './useFound';
import type { SearchState } from './useSearchState';
import { wording } from '@/wording/catalogue/Hidden';
import { counted } from '@/wording/counted';

const mostShown = 3;

type Props = { state: SearchState; found: FoundCourses; names: Names; notOffered: number };

/** How many courses are shown, and what the narrowing hides: each change that brings courses back is one press. */
export function Hidden({ state, found, names, notOffered }: Props) {
  if (found.total === null) return <span className="text-12 text-mute">{wording.looking}</span>;
  const hidden = found.matches - found.total;
  const isNarrowed = sides.some((side) => state.values(side).length > 0);
  return (
    <div className="flex flex-wrap items-baseline gap-x-2 gap-y-1 text-12 text-mute">
      <span role="status" aria-busy={found.isSearching}>
        {found.unfit === null
          ? `${counted.courses(found.total)}.`
          : wording.ofFitSketch(sayCount(found.total - found.unfit), counted.courses(found.total))}
      </span>
      {found.tooManyForFit && (
        <span className="font-strong text-ink">{wording.fitCanBeUsedOnce(mostByFit)}</span>
      )}
      {found.loosenings.slice(0, mostShown).map(({ by, value, more }) =>
        isSide(by) ? (
          <button
            key={`${by} ${value}`}
            type="button"
            onClick={() => state.setValues(by, loosened(by, state.values(by), value))}
            className="hover:underline"
          >
            <strong className="font-heavy text-ink">{wording.more(sayCount(more))}</strong>{' '}
            {sayLoosening(by, value, names)}
          </button>
        ) : null,
      )}
      {hidden > 0 && (
        <button type="button" onClick={state.clear} className="font-strong text-plum hover:underline">
          {wording.showAll(sayCount(found.matches))}
        </button>
      )}
      {hidden === 0 && isNarrowed && <span>{wording.nothingHidden}</span>}
      {!isNarrowed && state.words === '' && notOffered > 0 && (
        <span>{wording.notOfferedTerm(counted.courses(notOffered))}</span>
      )}
    </div>
  );
}
