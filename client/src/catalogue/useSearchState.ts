import { useMemo } from 'react';
import { useAddressQuery } from './useAddressQuery';
import { type Side, sides } from './narrowing';

export type Order = 'match' | 'code' | 'credits' | 'seats' | 'fit';

const orders: readonly string[] = ['match', 'code', 'credits', 'seats', 'fit'];

export type SearchState = {
  words: string;
  order: Order;
  /** Only courses that fit the sketch. */
  fitting: boolean;
  /** The course that is open. */
  course: string | null;
  values: (side: Side) => string[];
  /** What the server is asked, as an address's query. */
  search: string;
  setWords: (words: string) => void;
  setValues: (side: Side, values: readonly string[]) => void;
  setOrder: (order: Order) => void;
  setFitting: (fitting: boolean) => void;
  open: (course: string | null) => void;
  /** All that a subject offers, whatever was looked for before. */
  browse: (subject: string) => void;
  clear: () => void;
};

/** The whole search stands in the address bar, so that back, forward, reload and sharing work. */
export function useSearchState(): SearchState {
  const [params, change] = useAddressQuery();

  return useMemo(() => {
    const given = params.get('sort') ?? 'match';
    const order = (orders.includes(given) ? given : 'match') as Order;
    const put = (name: string, value: string | null, replace: boolean) =>
      change((next) => {
        if (value === null || value === '') next.delete(name);
        else next.set(name, value);
      }, replace);
    const search = new URLSearchParams();
    const words = params.get('q') ?? '';
    if (words.trim() !== '') search.set('q', words.trim());
    for (const side of sides) for (const value of params.getAll(side)) search.append(side, value);
    if (order !== 'match' && order !== 'fit') search.set('sort', order);
    return {
      words,
      order,
      fitting: params.get('fits') === 'yes',
      course: params.get('course'),
      values: (side) => params.getAll(side),
      search: search.toString(),
      // Each letter typed is not a step to go back to.
      setWords: (next) => put('q', next, true),
      setValues: (side, values) =>
        change((next) => {
          next.delete(side);
          for (const value of values) next.append(side, value);
        }, false),
      setOrder: (next) => put('sort', next === 'match' ? null : next, false),
      setFitting: (fitting) => put('fits', fitting ? 'yes' : null, false),
      open: (course) => put('course', course, false),
      browse: (subject) =>
        change((next) => {
          for (const side of sides) next.delete(side);
          for (const name of ['q', 'fits', 'course']) next.delete(name);
          next.append('subject', subject);
        }, false),
      clear: () =>
        change((next) => {
          for (const side of sides) next.delete(side);
          next.delete('fits');
        }, false),
    };
  }, [params, change]);
}
