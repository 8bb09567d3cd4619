import { useCallback, useEffect, useRef, useState } from 'react';
import { NavigationType, useLocation, useNavigate, useNavigationType } from 'react-router';

type Change = (edit: (query: URLSearchParams) => void, replace: boolean) => void;

const ours = { changedHere: true };

/**
 * The query of the address as state. The router moves on in its own time, and a field must show each letter at once:
 * what is shown is kept here, the address follows, and back, forward and links from elsewhere lead.
 */
export function useAddressQuery(): [URLSearchParams, Change] {
  const location = useLocation();
  const { search } = location;
  const state = location.state as typeof ours | null;
  const navigate = useNavigate();
  const isBackOrForward = useNavigationType() === NavigationType.Pop;
  const isOurs = state?.changedHere === true && !isBackOrForward;
  const [query, setQuery] = useState(() => new URLSearchParams(search));
  const latest = useRef(query);

  useEffect(() => {
    if (isOurs) return;
    latest.current = new URLSearchParams(search);
    setQuery(latest.current);
  }, [search, isOurs]);

  const change = useCallback<Change>(
    (edit, replace) => {
      const next = new URLSearchParams(latest.current);
      edit(next);
      latest.current = next;
      setQuery(next);
      void navigate({ search: next.toString() }, { replace, state: ours });
    },
    [navigate],
  );

  return [query, change];
}
