import { useQuery } from '@tanstack/react-query';
import { useLocation } from 'react-router';
import { meQuery } from '@/api/recordQueries';
import { signInAddress } from '@/domain/signInAddress';
import { useTermVisit } from '@/domain/useTermVisit';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { Degree } from './Degree';
import { wording } from '@/wording/requirements/Requirements';

/** The Requirements of a degree: what is done, under way, planned and missing, and what this term could do about it. */
export function Requirements() {
  const me = useQuery(meQuery);
  const { visit, problem, retry } = useTermVisit();
  if (me.isError)
    return <Failure what={wording.notKnownWhoYouAre} problem={me.error} onRetry={() => void me.refetch()} />;
  if (problem) return <Failure what={wording.couldNotBeOpened} problem={problem} onRetry={retry} />;
  if (!me.data || !visit) return <Loading />;
  if (me.data.person?.role !== 'student') return <SignInFirst isOffered={me.data.isSignInOffered} />;
  return <Degree key={visit.term.id} visit={visit} />;
}

function SignInFirst({ isOffered }: { isOffered: boolean }) {
  const { pathname, search } = useLocation();
  return (
    <main className="flex flex-1">
      <Message title={wording.signInToSee} heading="h1">
        <p>{isOffered ? wording.requirementsRestOnRecord : wording.noCampusToSignInAt}</p>
        {isOffered && (
          <a
            href={signInAddress(pathname + search)}
            className="rounded-[4px] border border-plum bg-plum px-2.5 py-1 font-strong text-on-plum hover:opacity-90"
          >
            {wording.signIn}
          </a>
        )}
      </Message>
    </main>
  );
}
