import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Facets, Term } from '@/api/client';
import { meQuery } from '@/api/recordQueries';
import { Menu, MenuItem } from '@/ui/Menu';
import { Popover } from '@/ui/Popover';
import { type Names, phraseOf, type Side, sideNames, sides, usual } from './narrowing';
import { SideEditor } from './SideEditor';
import type { SearchState } from './useSearchState';
import { wording } from '@/wording/catalogue/NarrowSentence';

type Props = { state: SearchState; facets: Facets; term: Term; names: Names };

/** The narrowing as a sentence; each phrase of it opens what it says. */
export function NarrowSentence({ state, facets, term, names }: Props) {
  // A side just chosen stands in the sentence before it narrows anything.
  const [chosen, setChosen] = useState<readonly Side[]>([]);
  const shown = sides.filter(
    (side) => usual.includes(side) || chosen.includes(side) || state.values(side).length > 0,
  );
  const me = useQuery(meQuery);
  // What one may take is known of students who are signed in.
  const canKnow = me.data?.person?.role === 'student';
  const rest = sides.filter((side) => !shown.includes(side) && (side !== 'eligible' || canKnow));
  return (
    <div className="flex flex-wrap items-baseline gap-x-1.5 gap-y-1 text-14">
      <span className="text-mute">{wording.showing}</span>
      {shown.map((side, i) => {
        const values = state.values(side);
        const { before, text } = phraseOf(side, values, names);
        return (
          <span key={side} className="flex items-baseline gap-1.5">
            {before !== '' && <span className="text-mute">{before}</span>}
            <Popover
              label={sideNames[side]}
              trigger={
                <button
                  type="button"
                  aria-label={wording.sideNameTextChange(sideNames[side], text)}
                  className={`max-w-[22rem] truncate border-b text-left font-strong ${
                    values.length > 0 ? 'border-plum font-heavy text-plum' : 'border-dotted border-mute'
                  }`}
                >
                  {text}
                </button>
              }
            >
              <SideEditor
                side={side}
                values={values}
                facets={facets}
                term={term}
                names={names}
                onChange={(next) => state.setValues(side, next)}
              />
            </Popover>
            {i < shown.length - 1 && <span className="-ml-1.5 text-mute">,</span>}
          </span>
        );
      })}
      {rest.length > 0 && (
        <Menu
          trigger={
            <button
              type="button"
              className="rounded-[4px] border border-rule px-1.5 text-12 hover:border-ink"
            >
              {wording.narrow}
            </button>
          }
        >
          {rest.map((side) => (
            <MenuItem key={side} onSelect={() => setChosen((now) => [...now, side])}>
              {sideNames[side]}
            </MenuItem>
          ))}
        </Menu>
      )}
    </div>
  );
}
