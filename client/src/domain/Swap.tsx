import type { SeenSection } from '@/api/client';
import { sayComponentInline } from '@/grid/classes';
import { sayMeetings } from '@/grid/meetings';
import { placed, type Sections } from './useSections';
import { sayAll } from './rulePaths';
import { wording } from '@/wording/domain/Swap';

type Props = {
  held: readonly SeenSection[];
  instead: readonly SeenSection[];
  /** The sections as they are now. */
  sections: Sections;
};

/** The sections that come in, with their numbers, and those they take the place of. */
export function Swap({ held, instead, sections }: Props) {
  const coming = instead.filter((section) => !held.some((other) => other.number === section.number));
  const going = held.filter((section) => !instead.some((other) => other.number === section.number));
  const gone = coming.filter((section) => !sections.byNumber.has(section.number));
  const full = placed(
    sections,
    coming.map((section) => section.number),
  ).filter((one) => one.section.freeSeats === 0);
  const courses = [...new Set(coming.map((section) => section.course))];
  return (
    <span>
      {courses
        .map((course) => {
          const own = coming.filter((section) => section.course === course);
          return `${course} ${own.map((one) => `${sayComponentInline(one)} (${one.number}), ${sayMeetings(one)}`).join(wording.and)}`;
        })
        .join('; ')}
      {going.length > 0 &&
        wording.insteadOf(
          sayAll(
            going.map((one) => `${courses.length > 1 ? `${one.course} ` : ''}${sayComponentInline(one)}`),
          ),
        )}
      {gone.length > 0 && <span className="text-brick">{wording.goneFromCatalogue}</span>}
      {full.length > 0 && <span className="text-brick">{wording.fullByNow}</span>}
    </span>
  );
}
