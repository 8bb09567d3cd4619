import { useMutation, useQueryClient } from '@tanstack/react-query';
import { removeSeatNotice } from '@/api/registrationQueries';
import { TellMe } from '@/domain/TellMe';
import { useRegistration } from '@/domain/useRegistration';
import { Button } from '@/ui/Button';
import { saySections } from './sayBundle';
import { wording } from '@/wording/registration/SeatNotices';

type Props = {
  term: string;
  /** Courses of the choice of which a section is full, with all their sections in it. */
  full: readonly { course: string; sections: readonly string[] }[];
};

const small = 'px-2! py-0.5! text-12!';

/** Of which seats one is told, and the notice for all that the choice still lacks. */
export function SeatNotices({ term, full }: Props) {
  const { data } = useRegistration(term);
  const client = useQueryClient();
  const remove = useMutation({
    mutationFn: (id: number) => removeSeatNotice(term, id),
    onSuccess: () => client.invalidateQueries({ queryKey: ['registration', term] }),
  });
  const notices = data?.seatNotices ?? [];
  if (notices.length === 0 && full.length < 2) return null;
  return (
    <div className="mt-2 flex flex-wrap items-start gap-x-4 gap-y-2 border-t border-rule pt-2 text-12 print:hidden">
      {full.length > 1 && (
        <TellMe
          term={term}
          sections={full.flatMap((one) => one.sections)}
          what={full.map((one) => one.course).join(', ')}
          says={wording.whole(full.length)}
          className={small}
        />
      )}
      {notices.length > 0 && (
        <div className="min-w-0 flex-1 max-md:basis-full">
          <h3 className="text-mute">{wording.told}</h3>
          <ul className="mt-1 flex flex-wrap gap-1.5">
            {notices.map((notice) => (
              <li key={notice.id} className="flex items-center rounded-[3px] border border-rule pl-1.5">
                {saySections(notice.sections)}
                <Button
                  look="quiet"
                  className="px-1.5! py-0! text-12! whitespace-nowrap"
                  aria-label={wording.notAnyMore(saySections(notice.sections))}
                  disabled={remove.isPending}
                  onClick={() => remove.mutate(notice.id)}
                >
                  {wording.remove}
                </Button>
              </li>
            ))}
          </ul>
          {remove.error && (
            <p role="alert" className="mt-1 text-brick">
              {remove.error.message}
            </p>
          )}
        </div>
      )}
    </div>
  );
}
