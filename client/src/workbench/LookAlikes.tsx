import { useQuery } from '@tanstack/react-query';
import type { Ask, Ranked } from '@/api/client';
import { lookAlikesQuery } from '@/api/answerQueries';
import { sayComponent } from '@/grid/classes';
import { sayCount } from '@/wording/counts';
import { placed, type Sections } from '@/domain/useSections';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { wording } from '@/wording/workbench/LookAlikes';
import { counted } from '@/wording/counted';
import { joinAnd } from '@/wording/lists';

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
    <Dialog open onOpenChange={onClose} title={wording.atSameHours(counted.timetables(shape.alike))} wide>
      <p className="mb-2 text-12 text-mute">
        {wording.differInSectionsOnlyBest}
        {likes.data &&
          BigInt(shape.alike) > BigInt(likes.data.length) &&
          wording.bestListed(sayCount(likes.data.length))}
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
              {wording.toSpare(counted.seats(one.measures.seatsToSpare))}
            </span>
            {i === chosen ? (
              <span className="w-[74px] shrink-0 pt-1 text-center text-mute">{wording.inView}</span>
            ) : (
              <Button
                className="w-[74px] shrink-0"
                onClick={() => {
                  onChoose(i);
                  onClose();
                }}
              >
                {wording.show}
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
  if (others.length === 0) return [wording.bestOf];
  return placed(sections, others).map(({ course, section }) => {
    const rooms = [...new Set(section.meetings.map((meeting) => meeting.room))].filter((room) => room !== '');
    return [
      `${course.id} ${sayComponent(section)} (${section.number})`,
      joinAnd(section.instructors),
      joinAnd(rooms),
      section.freeSeats === 0 ? wording.full : wording.ofLeft(section.freeSeats, section.capacity),
    ]
      .filter((part) => part !== '')
      .join(' · ');
  });
}
