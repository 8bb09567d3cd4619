import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Registration } from '@/api/client';
import { noticesSeen } from '@/api/registrationQueries';
import { Button } from '@/ui/Button';
import { wording } from '@/wording/registration/Notices';

/** What happened and was not seen yet. */
export function Notices({ term, registration }: { term: string; registration: Registration }) {
  const client = useQueryClient();
  const seen = useMutation({
    mutationFn: () => noticesSeen(term),
    onSuccess: () => client.invalidateQueries({ queryKey: ['registration', term] }),
  });
  const unseen = registration.notices.filter((notice) => !notice.isSeen);
  return (
    <div role="status" className="print:hidden">
      {unseen.length > 0 && (
        <div className="flex flex-wrap items-start gap-3 border-b border-rule bg-plum-wash px-4 py-1.5 text-12">
          <ul aria-label={wording.notices} className="flex-1">
            {unseen.map((notice) => (
              <li key={notice.id}>
                <span className="font-strong">{notice.sentence}</span>{' '}
                <span className="text-mute">{wording.at(notice.atUtc, registration.timeZone)}</span>
              </li>
            ))}
          </ul>
          <Button look="quiet" disabled={seen.isPending} onClick={() => seen.mutate()}>
            {wording.seen}
          </Button>
        </div>
      )}
    </div>
  );
}
