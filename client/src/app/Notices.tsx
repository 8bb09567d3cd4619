import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useLocation } from 'react-router';
import type { Registration } from '@/api/client';
import { termsQuery } from '@/api/queries';
import { noticesSeen } from '@/api/registrationQueries';
import { usePressElsewhere } from '@/domain/usePressElsewhere';
import { useRegistration } from '@/domain/useRegistration';
import { Button } from '@/ui/Button';
import { wording } from '@/wording/app/Notices';

type Notice = Registration['notices'][number];

const small = 'px-2! py-0.5! text-12!';

/** What happened at the registrar and was not seen yet, in whatever place one is. */
export function Notices() {
  const [, term = '', place] = useLocation().pathname.split('/');
  const terms = useQuery(termsQuery);
  const isTerm = terms.data?.terms.some((one) => one.id === term) ?? false;
  const { data } = useRegistration(isTerm ? term : '');
  const client = useQueryClient();
  const seen = useMutation({
    mutationFn: (notices: readonly Notice[]) =>
      noticesSeen(
        term,
        notices.map((notice) => notice.id),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ['registration', term] }),
  });
  const unseen = data?.notices.filter((notice) => !notice.isSeen) ?? [];
  return (
    <div role="status" className="shrink-0 print:hidden">
      {data && unseen.length > 0 && (
        <div className="flex flex-wrap items-start gap-x-3 gap-y-1 border-b border-rule bg-plum-wash px-4 py-1.5 text-12">
          <ul aria-label={wording.notices} className="grid min-w-0 flex-1 gap-1 max-md:basis-full">
            {unseen.map((notice) => (
              <li key={notice.id} className="flex flex-wrap items-center gap-x-2 gap-y-1">
                <p className="min-w-0 break-words">
                  <span className="font-strong">{notice.sentence}</span>{' '}
                  <span className="text-mute">
                    {wording.at(Date.parse(notice.atUtc) + data.aheadMs, data.timeZone, data.aheadMs)}
                  </span>
                </p>
                <RegisterIt
                  term={term}
                  registration={data}
                  notice={notice}
                  onSent={() => seen.mutate(unseen.filter((one) => isWithin(one, notice)))}
                />
              </li>
            ))}
          </ul>
          {place !== 'registration' && (
            <Link to={`/${term}/registration`} className="py-1 font-strong text-plum underline">
              {wording.toRegistration}
            </Link>
          )}
          <Button
            look="quiet"
            className={small}
            disabled={seen.isPending}
            onClick={() => seen.mutate(unseen)}
          >
            {wording.seen}
          </Button>
        </div>
      )}
    </div>
  );
}

type RegisterProps = { term: string; registration: Registration; notice: Notice; onSent: () => void };

/** From the notice of a seat to the seat: whole courses in one press, where nothing of them is held. */
function RegisterIt({ term, registration, notice, onSent }: RegisterProps) {
  const { press, isSending, problem } = usePressElsewhere(term);
  const { lines } = notice;
  const isHeld = lines.some((line) => registration.standing.held.some((one) => one.course === line.course));
  if (lines.length === 0 || isHeld) return null;
  const register = async () => {
    if (await press(lines)) onSent();
  };
  return (
    <>
      <Button look="main" className={small} disabled={isSending} onClick={() => void register()}>
        {wording.register(lines.map((line) => line.course))}
      </Button>
      {problem && (
        <span role="alert" className="text-brick">
          {problem}
        </span>
      )}
    </>
  );
}

/** Whether one tells of nothing but seats of which another tells, too. */
function isWithin(one: Notice, other: Notice): boolean {
  const numbers = other.sections.map((section) => section.number);
  return one.kind === other.kind && one.sections.every((section) => numbers.includes(section.number));
}
