import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useLocation } from 'react-router';
import { meQuery } from '@/api/recordQueries';
import { signInAddress } from '@/domain/signInAddress';
import { type PicksEdits, usePicks } from '@/domain/usePicks';
import { type TermVisit, useTermVisit } from '@/domain/useTermVisit';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { Chooser } from './Chooser';
import { PlannedPage } from './PlannedPage';
import { RegisteredPage } from './RegisteredPage';
import { RegistrarSilent } from './RegistrarSilent';
import { useStanding } from './useRegistered';
import { wording } from '@/wording/registration/Registration';

/** From the choice to seats held: what is planned, sent, held, waited for and refused in a term. */
export function Registration() {
  const me = useQuery(meQuery);
  const { visit, problem, retry } = useTermVisit();
  if (me.isError)
    return <Failure what={wording.couldNotBeOpened} problem={me.error} onRetry={() => void me.refetch()} />;
  if (problem) return <Failure what={wording.couldNotBeOpened} problem={problem} onRetry={retry} />;
  if (!visit || !me.data) return <Loading />;
  const isStudent = me.data.person?.role === 'student';
  return (
    <OfTerm key={visit.term.id} visit={visit} isStudent={isStudent} isOffered={me.data.isSignInOffered} />
  );
}

type Props = { visit: TermVisit; isStudent: boolean; isOffered: boolean };

function OfTerm({ visit, isStudent, isOffered }: Props) {
  const edits = usePicks(visit.term.id);
  if (edits.failed)
    return <Failure what={wording.couldNotBeOpened} problem={edits.failed} onRetry={edits.retry} />;
  if (!edits.isLoaded) return <Loading />;
  if (isStudent) return <OfStudent visit={visit} edits={edits} />;
  return edits.picks.choice ? (
    <PlannedPage visit={visit} choice={edits.picks.choice} edits={edits}>
      <SignInFirst isOffered={isOffered} />
    </PlannedPage>
  ) : (
    <NothingChosen visit={visit} edits={edits}>
      <SignInFirst isOffered={isOffered} />
    </NothingChosen>
  );
}

/** Who is signed in sees what the registrar says; where it is silent, what is planned. */
function OfStudent({ visit, edits }: { visit: TermVisit; edits: PicksEdits }) {
  const standing = useStanding(visit.term.id);
  const { choice } = edits.picks;
  if (standing.data) {
    const { held, waiting } = standing.data.standing;
    return choice || held.length + waiting.length + standing.data.presses.length > 0 ? (
      <RegisteredPage visit={visit} edits={edits} standing={standing.data} />
    ) : (
      <NothingChosen visit={visit} edits={edits} />
    );
  }
  if (standing.isPending) return <Loading />;
  const silence = <RegistrarSilent term={visit.term.id} problem={standing.error} />;
  return choice ? (
    <PlannedPage visit={visit} choice={choice} edits={edits}>
      {silence}
    </PlannedPage>
  ) : (
    <NothingChosen visit={visit} edits={edits}>
      {silence}
    </NothingChosen>
  );
}

function SignInFirst({ isOffered }: { isOffered: boolean }) {
  const { pathname, search } = useLocation();
  if (!isOffered) return null;
  return (
    <p className="flex flex-wrap items-center gap-3 border-b border-rule bg-sheet px-4 py-1.5 text-12 print:hidden">
      {wording.signInToRegister}
      <a
        href={signInAddress(pathname + search)}
        className="rounded-[4px] border border-plum bg-plum px-2.5 py-0.5 font-strong text-on-plum hover:opacity-90"
      >
        {wording.signIn}
      </a>
    </p>
  );
}

type NothingProps = { visit: TermVisit; edits: PicksEdits; children?: ReactNode };

function NothingChosen({ visit, edits, children }: NothingProps) {
  const hasShortlisted = visit.sketches.some((sketch) => sketch.shortlist.length > 0);
  return (
    <main className="flex flex-1 flex-col">
      {children}
      <Message title={wording.nothingChosenYet} heading="h1">
        <p>{hasShortlisted ? wording.chooseOneOfTimetables : wording.onWorkbenchSPutsTimetable}</p>
        <Chooser visit={visit} edits={edits} />
        {edits.canUndo && (
          <button type="button" onClick={edits.undo} className="font-strong text-plum hover:underline">
            {wording.undoLastChange}
          </button>
        )}
      </Message>
    </main>
  );
}
