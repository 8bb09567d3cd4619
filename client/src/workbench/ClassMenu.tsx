import { Popover } from 'radix-ui';
import type { Ask } from '@/api/client';
import { type GridClass, sayComponent } from '@/grid/classes';
import { sayCount } from '@/wording/counts';
import { keepInstead, markSection, wantedOf } from '@/domain/edits';
import { saySeats } from '@/domain/seats';
import { Button } from '@/ui/Button';
import { sayMeetings } from '@/grid/meetings';
import { useFreedStandings } from './useFreedStandings';
import { wording } from '@/wording/workbench/ClassMenu';
import { common } from '@/wording/common';
import { joinAnd } from '@/wording/lists';

export type Pressed = { one: GridClass; element: HTMLElement };

type Props = {
  pressed: Pressed;
  ask: Ask;
  change: (edit: (ask: Ask) => Ask) => void;
  onPointSection: (number: string | null) => void;
  onClose: () => void;
};

/** What one can do with a class: keep it, rule it out, move it to another of its places; and all about it. */
export function ClassMenu({ pressed, ask, change, onPointSection, onClose }: Props) {
  const { course, section } = pressed.one;
  const standings = useFreedStandings(ask, pressed.one);
  const wanted = wantedOf(ask, course.id);
  const isKept = wanted?.keep.includes(section.number) ?? false;
  const ofComponent = course.sections.filter((other) => other.component === section.component);
  const others = ofComponent.filter((other) => other.number !== section.number);
  const numbers = ofComponent.map((other) => other.number);
  const act = (edit: (ask: Ask) => Ask) => {
    change(edit);
    onClose();
  };
  const facts = [
    section.number,
    sayMeetings(section),
    [...new Set(section.meetings.map((meeting) => meeting.room))].filter((room) => room !== '').join(', '),
    joinAnd(section.instructors),
    saySeats(section),
    [course.materials, section.materials].filter((text) => text !== '').join(' '),
  ].filter((fact) => fact !== '');
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={{ current: pressed.element }} />
      <Popover.Portal>
        <Popover.Content
          aria-label={`${course.id} ${sayComponent(section)}`}
          align="start"
          sideOffset={4}
          collisionPadding={8}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            pressed.element.focus();
          }}
          className="z-50 max-h-[min(26rem,var(--radix-popover-content-available-height))] w-72 overflow-y-auto rounded-[4px] border border-rule bg-sheet p-3 text-14 text-ink shadow-md"
        >
          <h2 className="leading-snug font-heavy">
            {course.id} {sayComponent(section)}
          </h2>
          <p className="text-12 text-mute">{course.title}</p>
          <ul className="mt-1 text-12">
            {facts.map((fact) => (
              <li key={fact}>{fact}</li>
            ))}
          </ul>
          <div className="mt-2 flex gap-2">
            <Button
              aria-pressed={isKept}
              onClick={() =>
                act((now) =>
                  isKept
                    ? markSection(now, course.id, section.number, null)
                    : keepInstead(now, course.id, section.number, numbers),
                )
              }
            >
              {isKept ? wording.kept : common.keep}
            </Button>
            <Button onClick={() => act((now) => markSection(now, course.id, section.number, 'ruleOut'))}>
              {common.ruleOut}
            </Button>
          </div>
          {others.length > 0 && (
            <>
              <h3 className="mt-3 text-12 font-heavy">{wording.moveTo}</h3>
              <ul>
                {others.map((other) => (
                  <li key={other.number}>
                    <button
                      type="button"
                      onMouseEnter={() => onPointSection(other.number)}
                      onMouseLeave={() => onPointSection(null)}
                      onFocus={() => onPointSection(other.number)}
                      onBlur={() => onPointSection(null)}
                      onClick={() => act((now) => keepInstead(now, course.id, other.number, numbers))}
                      className="flex w-full gap-2 border-t border-hair py-1 text-left text-12 hover:bg-plum-wash"
                    >
                      <span className="w-9 shrink-0 font-strong">{other.label}</span>
                      <span className="min-w-0 flex-1">{sayMeetings(other)}</span>
                      <span className="shrink-0 text-mute tabular-nums">
                        {sayLeaves(standings?.[other.number])}
                      </span>
                    </button>
                  </li>
                ))}
              </ul>
            </>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function sayLeaves(count: string | undefined): string {
  if (count === undefined) return '';
  return count === '0' ? wording.leavesNone : wording.leavesCount(sayCount(count));
}
