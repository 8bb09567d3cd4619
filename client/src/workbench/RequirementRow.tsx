import { ChevronDown, ChevronRight, GraduationCap, X } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Ask } from '@/api/client';
import { setTake, withoutRequirement } from '@/domain/edits';
import type { Sections } from '@/domain/useSections';
import { IconButton } from '@/ui/IconButton';
import { Take } from './Take';
import { wording } from '@/wording/workbench/RequirementRow';

type Props = {
  choice: Ask['eitherOr'][number];
  sections: Sections;
  /** By registration number, in how many timetables the section stands; null until it is known. */
  standings: Readonly<Record<string, string>> | null;
  isOpen: boolean;
  onOpen: (isOpen: boolean) => void;
  change: (edit: (ask: Ask) => Ask) => void;
  /** Its courses. */
  children: ReactNode;
};

/** A requirement on the wanted list: folded, with how many of its courses are still possible. */
export function RequirementRow({ choice, sections, standings, isOpen, onOpen, change, children }: Props) {
  const courses = choice.courses.flatMap((course) => sections.courses.get(course) ?? []);
  const possible =
    standings && courses.length === choice.courses.length
      ? courses.filter((course) =>
          course.sections.some((section) => (standings[section.number] ?? '0') !== '0'),
        ).length
      : null;
  return (
    <li className="border-b border-hair py-1" data-requirement={choice.label}>
      <div className="flex gap-2">
        <span className="mt-0.5 flex size-6 shrink-0 items-center justify-center rounded-[3px] border border-rule text-mute">
          <GraduationCap size={14} aria-hidden="true" />
        </span>
        <div className="min-w-0 flex-1">
          <div className="flex items-start gap-1">
            <button
              type="button"
              aria-expanded={isOpen}
              onClick={() => onOpen(!isOpen)}
              className="flex min-w-0 flex-1 items-center gap-1 text-left leading-snug hover:text-plum"
            >
              <span className="min-w-0 truncate font-heavy">{choice.label}</span>
              {isOpen ? (
                <ChevronDown size={13} className="shrink-0" aria-hidden="true" />
              ) : (
                <ChevronRight size={13} className="shrink-0" aria-hidden="true" />
              )}
            </button>
            <IconButton
              label={wording.remove(choice.label)}
              onClick={() => change((now) => withoutRequirement(now, choice.label))}
            >
              <X size={13} aria-hidden="true" />
            </IconButton>
          </div>
          <p
            className={`text-12 leading-tight ${possible === 0 ? 'font-strong text-brick' : 'text-mute'}`}
            role="status"
          >
            {possible === null
              ? wording.ofCourses(choice.courses.length)
              : wording.possible(possible, choice.courses.length)}
          </p>
          {isOpen && (
            <Take
              choice={choice}
              onChange={(take) => change((now) => setTake(now, choice.courses[0]!, take))}
            />
          )}
        </div>
      </div>
      {isOpen && <ul className="mt-1 ml-4 border-t border-hair">{children}</ul>}
    </li>
  );
}
