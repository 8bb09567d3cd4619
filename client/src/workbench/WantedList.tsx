import { ChevronDown } from 'lucide-react';
import type { Answer, Ask } from '@/api/client';
import { type Colour, colourOf, markOf } from '@/grid/classes';
import { Menu, MenuChoice, MenuItem, MenuLine } from '@/ui/Menu';
import { sayCredits } from '@/sketch/credits';
import { isRole, type Role, roles, sayRole } from '@/sketch/edits';
import { useCampusNames } from '@/sketch/useCampusNames';
import { sayLimits } from '@/sketch/limits';
import type { Sections } from '@/sketch/useSections';

type Props = {
  ask: Ask;
  answer: Answer | null;
  sections: Sections;
  colours: Map<string, Colour>;
  onRole: (course: string, role: Role) => void;
  onRemove: (course: string) => void;
};

export function WantedList({ ask, answer, sections, colours, onRole, onRemove }: Props) {
  const campusName = useCampusNames();
  return (
    <ul aria-label="Wanted courses">
      {ask.wanted.map((one) => {
        const course = sections.courses.get(one.course);
        const inPlay = answer?.courses.find((other) => other.course === one.course);
        const aside = one.role === 'setAside';
        return (
          <li key={one.course} className="flex gap-2.5 border-b border-hair py-2">
            <span
              className={`flex size-7 shrink-0 items-center justify-center rounded-[3px] text-12 font-strong text-on-course ${aside ? 'opacity-45' : ''}`}
              style={{ backgroundColor: colourOf(colours.get(one.course) ?? 1) }}
              aria-hidden="true"
            >
              {markOf(one.course)}
            </span>
            <div className="min-w-0 flex-1">
              <div className="flex items-start gap-2">
                <div className={`min-w-0 flex-1 ${aside ? 'text-mute' : ''}`}>
                  <span className="font-heavy">{one.course}</span> {course?.title}
                </div>
                <Menu
                  trigger={
                    <button
                      type="button"
                      aria-label={`${one.course}: ${sayRole(one.role)}. Change`}
                      className="flex shrink-0 items-center gap-0.5 border-b border-dotted border-mute text-12 font-strong"
                    >
                      {sayRole(one.role)}
                      <ChevronDown size={12} aria-hidden="true" />
                    </button>
                  }
                >
                  <MenuChoice
                    value={one.role}
                    choices={roles}
                    onChoose={(role) => {
                      if (isRole(role)) onRole(one.course, role);
                    }}
                  />
                  <MenuLine />
                  <MenuItem onSelect={() => onRemove(one.course)}>Remove from sketch</MenuItem>
                </Menu>
              </div>
              <div className="flex justify-between gap-2 text-12 text-mute">
                <span
                  className={inPlay && !aside && inPlay.sectionsInPlay === 0 ? 'font-strong text-brick' : ''}
                >
                  {inPlay && sayInPlay(inPlay.sectionsInPlay, inPlay.sections, aside)}
                </span>
                <span>{course && sayCredits(course.minCredits, course.maxCredits)}</span>
              </div>
              {sayLimits(ask, one, course, campusName).map((limit) => (
                <div key={limit} className="text-12 text-mute">
                  {limit}
                </div>
              ))}
            </div>
          </li>
        );
      })}
    </ul>
  );
}

function sayInPlay(inPlay: number, all: number, aside: boolean): string {
  if (aside) return `${all} sections, not taken`;
  return `${inPlay} of ${all} sections in play`;
}
