import { blocking, distinct, isGeneral } from './courseStates';
import type { RowProps } from './CourseRow';
import { FindingLine } from './FindingLine';
import { sayBundle } from './sayBundle';
import { WhenFullSelect } from './WhenFullSelect';
import { wording } from '@/wording/registration/RowWhy';

/** Why a course stands as it does, every finding at once with what to do about it, and what was decided for it. */
export function RowWhy(props: RowProps) {
  const { state, view } = props;
  switch (state.kind) {
    case 'held': {
      const { held, line, result } = state;
      const tookOther = result?.took?.startsWith('instead') && line;
      return (
        <>
          {tookOther && (
            <p>
              {wording.wasFull(sayBundle(line.sections, view.sections))}{' '}
              <span className="font-strong">{wording.swapTaken}</span>
            </p>
          )}
          {result?.outcome === 'refused' && (
            <p className="text-brick">{wording.swapRefused(result.findings[0]?.sentence ?? '')}</p>
          )}
          <p className="text-mute">
            {wording.confirmation(held.confirmation, held.atUtc, props.registered.standing.timeZone)}
          </p>
        </>
      );
    }
    case 'waiting': {
      const { waiting } = state;
      return (
        <>
          <p>{waiting.letsIn === 'instructor' ? wording.instructorLetsIn : wording.letInByItself}</p>
          {waiting.place !== waiting.firstPlace && (
            <p className="text-mute">{wording.moved(waiting.firstPlace, waiting.place)}</p>
          )}
          {waiting.givingUp.length > 0 && (
            <p>{wording.givesUp(sayBundle(waiting.givingUp, view.sections))}</p>
          )}
          {waiting.passedOver !== '' && (
            <p className="text-brick">{wording.passedOver(waiting.passedOver)}</p>
          )}
        </>
      );
    }
    case 'sent':
      return <p className="text-mute">{wording.askedUntilKnown}</p>;
    case 'refused':
    case 'planned': {
      const now = state.now ?? (state.kind === 'refused' ? state.result : null);
      const against = blocking(now);
      // What stands against all of them is said once, above.
      const own = against.filter((finding) => !isGeneral(finding));
      return (
        <>
          {state.kind === 'refused' && state.now && against.length === 0 && (
            <p>{wording.refusedThen(state.result.findings[0]?.sentence ?? '')}</p>
          )}
          {own.length > 0 && (
            <ul className="grid gap-1">
              {distinct(own).map((finding) => (
                <FindingLine
                  key={finding.kind + finding.sentence}
                  finding={finding}
                  course={state.course}
                  visit={props.visit}
                  edits={props.edits}
                />
              ))}
            </ul>
          )}
          {(now?.findings ?? [])
            .filter((finding) => finding.isWarning)
            .map((finding) => (
              <p key={finding.sentence} className="font-strong">
                {finding.sentence}
              </p>
            ))}
          {own.length === 0 && against.length > 0 && <p className="text-mute">{wording.asAllOthers}</p>}
          <WhenFullSelect {...props} />
        </>
      );
    }
  }
}
