import { TellMe } from '@/domain/TellMe';
import { Button } from '@/ui/Button';
import { blocking, lacksSeat, lacksSeatAlone } from './courseStates';
import type { RowProps } from './CourseRow';
import { sayBundle } from './sayBundle';
import { useOpenChange } from './useOpenChange';
import { wording } from '@/wording/registration/OpenActions';

const small = 'px-2! py-0.5! text-12! whitespace-nowrap';

/** The next best thing for a course that is not held, each with one press. */
export function OpenActions({ state, visit, view, registered }: RowProps) {
  const { term } = visit;
  const { standing, pressing } = registered;
  const change = useOpenChange(visit, standing);
  const open = state.kind === 'planned' || state.kind === 'refused' ? state : null;
  if (!open?.line) return null;
  const { line, now } = open;
  const against = blocking(now);
  const isOnlyFull = lacksSeatAlone(now);
  const notYet = now?.findings.some((finding) => finding.kind === 'notYourTurn') ?? true;
  const canSend = !notYet && !pressing.isSending;
  const canWait =
    isOnlyFull && !against.some((finding) => finding.kind !== 'full') && line.ifFull === 'leave';
  return (
    <>
      {canSend && against.length === 0 && (
        <Button
          className={small}
          aria-label={wording.registerCourse(state.course)}
          onClick={() => pressing.press([line])}
        >
          {wording.register}
        </Button>
      )}
      {canSend &&
        isOnlyFull &&
        line.instead.map((bundle) => (
          <Button
            key={bundle.join()}
            look="main"
            className={small}
            onClick={() => pressing.press([{ ...line, sections: [...bundle], instead: [], ifFull: 'leave' }])}
          >
            {wording.takeInstead(sayBundle(bundle, view.sections))}
          </Button>
        ))}
      {canSend && canWait && (
        <Button
          className={small}
          aria-label={wording.waitFor(state.course)}
          onClick={() => pressing.press([{ ...line, instead: [], ifFull: 'wait' }])}
        >
          {wording.wait}
        </Button>
      )}
      {lacksSeat(now) && (
        <TellMe term={term.id} sections={open.sections} what={state.course} className={small} />
      )}
      {state.kind === 'refused' && standing.standing.held.length > 0 && (
        <Button
          className={small}
          disabled={change.isOpening}
          onClick={() =>
            void change.open(null, open.kind === 'refused' && open.isChosen ? [state.course] : [])
          }
        >
          {wording.bestOfRest}
        </Button>
      )}
      {change.problem && (
        <span role="alert" className="text-brick">
          {change.problem}
        </span>
      )}
    </>
  );
}
