import { useQuery } from '@tanstack/react-query';
import type { Ask, Ranked } from '@/api/client';
import { lookAlikesQuery } from '@/api/answerQueries';
import { sayComponent } from '@/grid/classes';
import { countOf, sayCount } from '@/lib/count';
import { placed, type Sections } from '@/domain/useSections';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';

type Props = {
  ask: Ask;
  /** The week shape, at its best timetable. */
  shape: Ranked;
  sections: Sections;
  chosen: number;
  onChoose: (alike: number) => void;
  onClose: () => void;
};

/** The timetables of one week shape: in exactly what each differs from the best of them. */
export function LookAlikes({ ask, shape, sections, chosen, onChoose, onClose }: Props) {
  const likes = useQuery(lookAlikesQuery(ask, shape.sections));
  const best = likes.data?.[0];
  return (
    <Dialog open onOpenChange={onClose} title={`${countOf(shape.alike, 'timetable')} at the same hours`} wide>
      <p className="mb-2 text-12 text-mute">
        They differ in sections only. The best by what matters comes first; each line says what is other than
        in it.
        {likes.data &&
          BigInt(shape.alike) > BigInt(likes.data.length) &&
          ` The best ${sayCount(likes.data.length)} are listed.`}
      </p>
      {likes.isError && <p className="text-brick">{likes.error.message}</p>}
      <ul>
        {likes.data?.map((one, i) => (
          <li
            key={one.sections.join()}
            className="flex items-start gap-3 border-t border-hair py-1.5 text-12"
          >
            <span className="w-7 shrink-0 pt-1 text-right font-heavy tabular-nums">{i + 1}</span>
            <div className="min-w-0 flex-1 pt-1">
              {differences(one, best!, sections).map((line) => (
                <div key={line}>{line}</div>
              ))}
            </div>
            <span className="shrink-0 pt-1 text-mute tabular-nums">
              {countOf(one.measures.seatsToSpare, 'seat')} to spare
            </span>
            {i === chosen ? (
              <span className="w-[74px] shrink-0 pt-1 text-center text-mute">in view</span>
            ) : (
              <Button
                className="w-[74px] shrink-0"
                onClick={() => {
                  onChoose(i);
                  onClose();
                }}
              >
                Show
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Dialog>
  );
}

/** The sections that are in one and not in the best, with instructor, room and seats. */
function differences(one: Ranked, best: Ranked, sections: Sections): string[] {
  const others = one.sections.filter((number) => !best.sections.includes(number));
  if (others.length === 0) return ['The best of them'];
  return placed(sections, others).map(({ course, section }) => {
    const rooms = [...new Set(section.meetings.map((meeting) => meeting.room))].filter((room) => room !== '');
    return [
      `${course.id} ${sayComponent(section)} (${section.number})`,
      section.instructors.join(' and '),
      rooms.join(' and '),
      section.freeSeats === 0 ? 'full' : `${section.freeSeats} of ${section.capacity} left`,
    ]
      .filter((part) => part !== '')
      .join(' · ');
  });
}
