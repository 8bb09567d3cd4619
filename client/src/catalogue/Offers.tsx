import type { SearchAnswer } from '@/api/client';
import { isSide, type Names, sideNames } from './narrowing';
import type { SearchState } from './useSearchState';
import { wording } from '@/wording/catalogue/Offers';

type Props = { state: SearchState; offers: SearchAnswer['offers']; names: Names };

/** What the words typed could mean as a narrowing: an instructor, an attribute, a subject. */
export function Offers({ state, offers, names }: Props) {
  if (offers.length === 0) return null;
  return (
    <div className="mt-1.5 flex flex-wrap items-baseline gap-x-3 gap-y-1 text-12">
      <span className="text-mute">{wording.narrowTo}</span>
      {offers.map(({ by, value }) =>
        isSide(by) ? (
          <button
            key={`${by} ${value}`}
            type="button"
            className="font-strong text-plum hover:underline"
            onClick={() => {
              state.setValues(by, [...state.values(by), value]);
              state.setWords('');
            }}
          >
            {sideNames[by].toLowerCase()} {by === 'subject' ? names.subject(value) : value}
          </button>
        ) : null,
      )}
    </div>
  );
}
