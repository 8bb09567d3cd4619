import { useQuery } from '@tanstack/react-query';
import { ChevronDown } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { NavLink, useLocation, useNavigate, useParams } from 'react-router';
import { termsQuery, visitQuery } from '@/api/queries';
import { lanesOf } from '@/domain/picks';
import { usePicks } from '@/domain/usePicks';
import { useSketch, useSketches } from '@/domain/useSketch';
import { withCurrent } from '@/domain/useTermVisit';
import { Menu, MenuChoice } from '@/ui/Menu';
import { Account } from './Account';
import { places } from './places';
import { wording } from '@/wording/app/TopBar';

/** How many timetables are in the line-up. */
function LineUpCount({ term }: { term: string }) {
  const visit = useQuery(visitQuery);
  const isKnown = visit.data !== undefined;
  const list = useSketches(term, isKnown);
  const sketch = useSketch(term, isKnown);
  const { picks, isLoaded } = usePicks(term, isKnown);
  if (!isLoaded || !list.data || !sketch.data) return null;
  const count = lanesOf(picks, withCurrent(list.data.sketches, sketch.data)).length;
  return count > 0 && <span className="text-12">{count}</span>;
}

export function TopBar() {
  const { term = '' } = useParams();
  const navigate = useNavigate();
  const place = useLocation().pathname.split('/')[2] ?? 'workbench';
  const { data } = useQuery(termsQuery);
  const current = data?.terms.find((one) => one.id === term);
  const nav = useRef<HTMLElement>(null);
  // On a phone not all places have room: the one that is open is in view, whatever comes to stand beside them.
  useEffect(() => {
    const list = nav.current!;
    const room = new ResizeObserver(() =>
      list.querySelector('[aria-current=page]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' }),
    );
    room.observe(list);
    return () => room.disconnect();
  }, [place, term]);
  return (
    <header className="on-bar flex h-[50px] shrink-0 items-center gap-2 bg-bar px-4 text-on-bar max-md:gap-0.5 max-md:px-2">
      <img src="/mark.svg" alt="" className="h-5 w-auto max-md:hidden" />
      <span className="mr-4 text-16 font-heavy whitespace-nowrap max-md:sr-only">{wording.hourGrid}</span>
      <nav ref={nav} aria-label={wording.places} className="flex min-w-0 max-md:overflow-x-auto">
        {term !== '' &&
          places.map((place) => (
            <NavLink
              key={place.path}
              to={`/${term}/${place.path}`}
              className="rounded-[4px] px-2.5 py-1.5 font-strong whitespace-nowrap text-on-bar-mute max-md:px-1 max-md:text-12 aria-[current=page]:bg-bar-raised aria-[current=page]:text-on-bar"
            >
              {place.name}
              {place.path === 'line-up' && (
                <>
                  {' '}
                  <LineUpCount term={term} />
                </>
              )}
            </NavLink>
          ))}
      </nav>
      <div className="ml-auto flex shrink-0 items-center gap-1 max-md:gap-0.5">
        <Account />
        {current && data && (
          <Menu
            trigger={
              <button
                type="button"
                aria-label={wording.termChange(current.name)}
                className="flex items-center gap-1.5 rounded-[4px] border border-on-bar-mute/50 px-2.5 py-1.5 whitespace-nowrap hover:border-on-bar max-md:gap-0 max-md:px-1 max-md:text-12"
              >
                {current.name}
                <ChevronDown size={14} aria-hidden="true" />
              </button>
            }
          >
            <MenuChoice
              value={term}
              choices={data.terms.map((one) => ({ value: one.id, label: one.name }))}
              onChoose={(chosen) => void navigate(`/${chosen}/${place}`)}
            />
          </Menu>
        )}
      </div>
    </header>
  );
}
