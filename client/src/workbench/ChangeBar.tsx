import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Ask, Ranked, Sketch } from '@/api/client';
import { changeQuery } from '@/api/registrationQueries';
import { keepSections, markSection } from '@/domain/edits';
import { usePressElsewhere } from '@/domain/usePressElsewhere';
import { useRegistration } from '@/domain/useRegistration';
import { Button } from '@/ui/Button';
import { FewestChanges } from './FewestChanges';
import { wording } from '@/wording/workbench/ChangeBar';

type Props = {
  sketch: Sketch;
  /** What the answer in view answers. */
  ask: Ask;
  inView: Ranked | null;
  change: (edit: (ask: Ask) => Ask) => void;
  onShow: (numbers: readonly string[]) => Promise<boolean>;
};

/** In a sketch that begins with what is held: what stays, what the timetable in view would change, and the press. */
export function ChangeBar({ sketch, ask, inView, change, onShow }: Props) {
  const { term } = sketch;
  const standing = useRegistration(term);
  const held = standing.data?.standing.held ?? [];
  const isOfHeld = held.length > 0 && sketch.ask.registered.length > 0;
  const plan = useQuery({
    ...changeQuery(term, inView?.sections ?? []),
    enabled: isOfHeld && inView !== null,
  });
  const [isListOpen, setListOpen] = useState(false);
  const { press, isSending, problem } = usePressElsewhere(term);
  if (!isOfHeld) return null;
  const changes = plan.data ? plan.data.swaps + plan.data.drops + plan.data.adds : 0;
  return (
    <section
      aria-label={wording.changeOfHeld}
      className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-rule bg-sheet px-4 py-1.5 text-12 print:hidden"
    >
      <ul className="flex flex-wrap items-center gap-1.5" aria-label={wording.held}>
        {held.map((one) => {
          const wanted = sketch.ask.wanted.find((other) => other.course === one.course);
          const isKept = one.sections.every((number) => wanted?.keep.includes(number));
          return (
            <li key={one.course} className="flex items-center gap-1 rounded-[3px] border border-rule pl-1.5">
              <span className={isKept ? '' : 'text-mute'}>
                <span className="font-strong">{one.course}</span> {isKept ? wording.stays : wording.released}
              </span>
              <Button
                look="quiet"
                className="px-1.5! py-0! text-12!"
                aria-label={isKept ? wording.releaseCourse(one.course) : wording.keepCourse(one.course)}
                onClick={() =>
                  change((now) =>
                    isKept
                      ? one.sections.reduce(
                          (changed, number) => markSection(changed, one.course, number, null),
                          now,
                        )
                      : keepSections(
                          now,
                          one.sections.map((number) => ({ course: one.course, number })),
                        ),
                  )
                }
              >
                {isKept ? wording.release : wording.keep}
              </Button>
            </li>
          );
        })}
      </ul>
      <p aria-live="polite" className="font-strong">
        {plan.data && inView ? wording.thisOne(plan.data) : ''}
      </p>
      <div className="ml-auto flex items-center gap-1.5">
        <Button className="px-2! py-0.5! text-12!" onClick={() => setListOpen(true)}>
          {wording.fewestChanges}
        </Button>
        <Button
          look="main"
          className="px-2! py-0.5! text-12!"
          disabled={changes === 0 || plan.isPlaceholderData || isSending}
          onClick={() => plan.data && void press(plan.data.lines)}
        >
          {wording.send(changes)}
        </Button>
      </div>
      {(problem ?? plan.error) && (
        <p role="alert" className="basis-full text-brick">
          {problem ?? plan.error?.message}
        </p>
      )}
      {isListOpen && <FewestChanges ask={ask} onShow={onShow} onClose={() => setListOpen(false)} />}
    </section>
  );
}
