import { useSyncExternalStore } from 'react';
import { useLocation } from 'react-router';
import { signedIn } from '@/api/signedIn';
import { useSaving } from '@/saving/SavingContext';
import { Button } from '@/ui/Button';
import { signInAddress } from './signInAddress';

/** What is not saved, or was not taken, in whatever place one is. */
export function NotSaved() {
  const saving = useSaving();
  const savers = useSyncExternalStore(saving.subscribe, saving.getAll);
  const failing = savers.filter((saver) => saver.getState().failure !== null);
  const told = savers.filter((saver) => saver.getState().note !== null);
  const hasRunOut = useSyncExternalStore(signedIn.subscribe, signedIn.get) === 'ranOut';
  const { pathname, search } = useLocation();
  if (failing.length === 0 && told.length === 0 && !hasRunOut) return null;
  const reason = failing[0]?.getState().failure;
  return (
    <div role="alert" className="shrink-0 border-b border-brick bg-sheet text-12 print:hidden">
      {hasRunOut && (
        <p className="px-4 py-1.5">
          <span className="font-heavy text-brick">Your sign-in has run out.</span> What you changed since is
          kept in this browser.{' '}
          <a href={signInAddress(pathname + search)} className="font-strong text-plum underline">
            Sign in again
          </a>{' '}
          to go on where you are.
        </p>
      )}
      {failing.length > 0 && !hasRunOut && (
        <div className="flex items-center gap-3 px-4 py-1.5">
          <p className="min-w-0 flex-1 break-words">
            <span className="font-heavy text-brick">Not saved yet:</span>{' '}
            {failing.map((saver) => saver.title()).join(', ')}. {reason} Your changes are kept in this
            browser, and sent as soon as that is possible.
          </p>
          <Button onClick={saving.retry}>Try again</Button>
        </div>
      )}
      {told.map((saver) => (
        <div key={saver.title()} className="flex items-center gap-3 px-4 py-1.5">
          <p className="min-w-0 flex-1 break-words">{saver.getState().note}</p>
          <Button look="quiet" onClick={saver.forgetNote}>
            Dismiss
          </Button>
        </div>
      ))}
    </div>
  );
}
