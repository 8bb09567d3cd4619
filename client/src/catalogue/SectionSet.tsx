import type { Ask, Course, Term, WantedCourse } from '@/api/client';
import { markSection } from '@/domain/edits';
import { SectionRow } from './SectionRow';
import { wording } from '@/wording/catalogue/SectionSet';
import { common } from '@/wording/common';
import { joinOr } from '@/wording/lists';

type Props = {
  set: Course['sets'][number];
  course: Course;
  term: Term;
  wanted: WantedCourse | undefined;
  /** In how many timetables a section stands; null while not known. */
  standing: (number: string) => string | null;
  change: (edit: (ask: Ask) => Ask) => void;
  onPoint: (number: string | null) => void;
};

/** The sections of one arrangement: each leading one with those under it that go with it alone. */
export function SectionSet({ set, course, term, wanted, standing, change, onPoint }: Props) {
  const sections = new Map(course.sections.map((section) => [section.number, section]));
  const hangs = set.rows.some((row) => row.under !== null);
  const others = [...new Set(course.sections.map((section) => section.component))].filter(
    (component) => component !== set.lead,
  );
  return (
    <section aria-label={set.arrangement === '' ? common.sections : set.arrangement} className="mt-1">
      {set.arrangement !== '' && <h4 className="mt-2 text-14 font-heavy">{set.arrangement}</h4>}
      {hangs && (
        <p className="text-12 text-mute">{wording.eachListedUnderBelongs(joinOr(others), set.lead)}</p>
      )}
      <ul className="mt-1 border-t border-rule">
        {set.rows.map((row) => {
          const section = sections.get(row.number)!;
          const mark = wanted?.keep.includes(row.number)
            ? 'keep'
            : wanted?.ruleOut.includes(row.number)
              ? 'ruleOut'
              : null;
          return (
            <SectionRow
              key={row.number}
              section={section}
              term={term}
              isUnder={row.under !== null}
              goesWith={row.goesWith}
              mark={mark}
              standing={standing(row.number)}
              onMark={(next) => change((now) => markSection(now, course.id, row.number, next))}
              onPoint={(isPointed) => onPoint(isPointed ? row.number : null)}
            />
          );
        })}
      </ul>
    </section>
  );
}
