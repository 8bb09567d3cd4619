import type { WhenFull } from '@/api/client';
import { decideWhenFull } from '@/domain/picks';
import { Select } from '@/ui/Select';
import type { RowProps } from './CourseRow';
import { sayBundle } from './sayBundle';
import { wording } from '@/wording/registration/WhenFullSelect';

/** What is done if a course is full at the press: decided beforehand, and sent with it. */
export function WhenFullSelect({ state, edits, view }: RowProps) {
  const { choice } = edits.picks;
  if (!choice || (state.kind !== 'planned' && state.kind !== 'refused') || !state.line) return null;
  const instead = state.line.instead;
  const chosen = choice.whenFull.find((one) => one.course === state.course)?.whenFull ?? 'leave';
  const sections = state.sections.flatMap((number) => view.sections.byNumber.get(number)?.section ?? []);
  const hasLine = sections.some((section) => section.waitlistCapacity > 0);
  const swaps = instead.map((bundle) => sayBundle(bundle, view.sections));
  const choices: { value: WhenFull; label: string }[] = [
    { value: 'leave', label: swaps.length > 0 ? wording.take(swaps) : wording.nothing },
    ...(hasLine || chosen !== 'leave'
      ? swaps.length > 0
        ? ([
            { value: 'waitLast', label: wording.takeThenWait(swaps) },
            { value: 'wait', label: wording.waitAtOnce },
          ] satisfies { value: WhenFull; label: string }[])
        : ([{ value: 'wait', label: wording.wait }] satisfies { value: WhenFull; label: string }[])
      : []),
  ];
  return (
    <div className="mt-1 flex flex-wrap items-center gap-1.5 text-12 text-mute">
      {choices.length === 1 ? (
        <p>
          {wording.ifFull} {choices[0]!.label}
        </p>
      ) : (
        <Select
          label={wording.ifFull}
          value={swaps.length === 0 && chosen === 'waitLast' ? 'wait' : chosen}
          choices={choices}
          onChange={(value) => edits.change((now) => decideWhenFull(now, state.course, value))}
        />
      )}
    </div>
  );
}
