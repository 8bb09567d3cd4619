import type { LineResult } from '@/api/client';
import { blocking, type CourseState } from './courseStates';
import { wording } from '@/wording/registration/StateText';

/** What would come of it now, where nothing stands in the way. */
function sayReady({ outcome, wouldBe, took, place }: LineResult): string {
  if ((wouldBe ?? outcome) === 'waiting') return wording.wouldWait(place ?? 1);
  return took?.startsWith('instead') ? wording.wouldSwap : wording.ready;
}

/** How a course stands, in its own word. */
export function StateText({ state }: { state: CourseState }) {
  switch (state.kind) {
    case 'held':
      return <p className="text-14 font-strong text-moss">✓ {wording.registered}</p>;
    case 'sent':
      return <p className="text-14 font-strong">{wording.sent}</p>;
    case 'waiting':
      return <p className="text-14 font-strong">{wording.waiting(state.waiting.place, state.waiting.of)}</p>;
    case 'refused':
      return <p className="text-14 font-strong text-brick">{wording.notRegistered}</p>;
    case 'planned':
      return (
        <p className="text-14 font-strong">
          {wording.planned}
          {state.now &&
            (blocking(state.now).length === 0 ? (
              <span className="font-text text-mute">, {sayReady(state.now)}</span>
            ) : (
              <span className="font-text text-brick">, {wording.notReady}</span>
            ))}
        </p>
      );
  }
}
