import { useMutation, useQueryClient } from '@tanstack/react-query';
import { addSeatNotice, removeSeatNotice } from '@/api/registrationQueries';
import { isSame } from '@/lib/isSame';
import { Button } from '@/ui/Button';
import { useRegistration } from './useRegistration';
import { wording } from '@/wording/domain/TellMe';

type Props = {
  term: string;
  /** All of these have to have a seat. */
  sections: readonly string[];
  /** What they are, for who hears the button alone. */
  what: string;
  /** What it says before and after; else that there is a seat. */
  says?: { ask: string; asked: string };
  className?: string;
};

/** Has oneself told once there is a seat, in the page and by mail; pressed again, not any more. */
export function TellMe({ term, sections, what, says = wording, className = '' }: Props) {
  const client = useQueryClient();
  const { data } = useRegistration(term);
  const wanted = [...sections].sort();
  const notice = data?.seatNotices.find((one) =>
    isSame(one.sections.map((section) => section.number).sort(), wanted),
  );
  const tell = useMutation({
    mutationFn: async () => {
      await (notice ? removeSeatNotice(term, notice.id) : addSeatNotice(term, wanted));
    },
    onSuccess: () => client.invalidateQueries({ queryKey: ['registration', term] }),
  });
  if (!data || data.standing.phase === 'closed') return null;
  const said = notice ? says.asked : says.ask;
  return (
    <>
      <Button
        className={className}
        aria-pressed={notice !== undefined}
        aria-label={`${said}: ${what}`}
        disabled={tell.isPending}
        onClick={() => tell.mutate()}
      >
        {said}
      </Button>
      {tell.error && (
        <span role="alert" className="text-brick">
          {tell.error.message}
        </span>
      )}
    </>
  );
}
