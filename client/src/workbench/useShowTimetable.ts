import { useEffect, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { isTexts } from '@/lib/browserStore';
import type { Walk } from '@/domain/useWalk';

/** Goes to the timetable with which another place sent the student here, once the answer is there. */
export function useShowTimetable(walk: Walk, show: (numbers: readonly string[]) => Promise<boolean>): void {
  const location = useLocation();
  const navigate = useNavigate();
  const state: unknown = location.state;
  const wanted =
    typeof state === 'object' && state !== null && 'show' in state && isTexts(state.show) ? state.show : null;
  const isReady = walk.answer !== null && !walk.isBehind;
  const begun = useRef(false);
  useEffect(() => {
    if (!wanted || !isReady || begun.current) return;
    begun.current = true;
    // Once only: coming back by reload or history finds the place where one was last.
    void show(wanted).then(() => navigate(location.pathname, { replace: true }));
  });
}
