import { useSyncExternalStore } from 'react';
import { useLocation } from 'react-router';
import { signedIn } from '@/api/signedIn';
import { useSaving } from '@/saving/SavingContext';
import { Button } from '@/ui/Button';
import { signInAddress } from '@/domain/signInAddress';
import { wording } from '@/wording/app/NotSaved';
import { common } from '@/wording/common';

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
          <span className="font-heavy text-brick">{wording.signInRunOut}</span>
          {wording.whatChangedSinceKept}
          <a href={signInAddress(pathname + search)} className="font-strong text-plum underline">
            {wording.signInAgain}
          </a>
          {wording.toGoOnWhere}
        </p>
      )}
      {failing.length > 0 && !hasRunOut && (
        <div className="flex items-center gap-3 px-4 py-1.5">
          <p className="min-w-0 flex-1 break-words">
            <span className="font-heavy text-brick">{wording.notSavedYet}</span>{' '}
            {failing.map((saver) => saver.title()).join(', ')}. {reason}
            {wording.changesKeptInBrowser}
          </p>
          <Button onClick={saving.retry}>{common.tryAgain}</Button>
        </div>
      )}
      {told.map((saver) => (
        <div key={saver.title()} className="flex items-center gap-3 px-4 py-1.5">
          <p className="min-w-0 flex-1 break-words">{saver.getState().note}</p>
          <Button look="quiet" onClick={saver.forgetNote}>
            {common.dismiss}
          </Button>
        </div>
      ))}
    </div>
  );
}
