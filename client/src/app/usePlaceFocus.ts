import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { termsQuery } from '@/api/queries';
import { placeOf } from './places';
import { wording } from '@/wording/app/usePlaceFocus';

/** How long a place may take until it has a heading, in milliseconds. */
const patience = 10_000;

/** Names the page after its place, and moves the focus to the heading of a place that one goes to. */
export function usePlaceFocus(): void {
  const { pathname } = useLocation();
  const [, termId, path] = pathname.split('/');
  const terms = useQuery(termsQuery);
  const term = terms.data?.terms.find((one) => one.id === termId);
  const title = [placeOf(path)?.name, term?.name, wording.hourGrid]
    .filter((part) => part !== undefined)
    .join(' · ');
  useEffect(() => {
    document.title = title;
  }, [title]);

  const before = useRef(path);
  useEffect(() => {
    // A page that was just loaded is read from its top.
    if (before.current === path) return;
    const isFirst = before.current === undefined || before.current === '';
    before.current = path;
    if (isFirst) return;
    const watch = new MutationObserver(() => focus());
    const focus = () => {
      const heading = document.querySelector<HTMLElement>('main h1, [role="alert"] h1');
      if (!heading) return;
      stop();
      // Whoever has begun to do something in the place is not taken away from it.
      if (document.activeElement?.closest('main, aside, [role="dialog"]')) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    };
    const stop = () => {
      watch.disconnect();
      clearTimeout(late);
    };
    const late = setTimeout(stop, patience);
    watch.observe(document.body, { childList: true, subtree: true });
    focus();
    return stop;
  }, [path]);
}
