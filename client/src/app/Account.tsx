import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ChevronDown, UserRound } from 'lucide-react';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { call, http } from '@/api/client';
import { meQuery } from '@/api/recordQueries';
import { Menu, MenuItem } from '@/ui/Menu';
import { MyRecord } from './MyRecord';
import { forgetPerson } from './signedOut';
import { signInAddress } from '@/domain/signInAddress';
import { wording } from '@/wording/app/Account';

/** Whether this page is where a sign-in led that did not work; read before the first place takes over the address. */
const signInFailed = new URLSearchParams(window.location.search).get('sign-in') === 'failed';

/** Who is signed in, or the way to sign in; nothing where there is no campus to sign in at. */
export function Account() {
  const me = useQuery(meQuery);
  const client = useQueryClient();
  const { pathname, search } = useLocation();
  const [isRecordOpen, setRecordOpen] = useState(false);
  if (!me.data?.isSignInOffered) return null;
  const { person } = me.data;
  const look =
    'flex items-center gap-1.5 rounded-[4px] px-2 py-1.5 text-12 font-strong whitespace-nowrap text-on-bar hover:bg-bar-raised max-md:gap-0 max-md:px-1';
  if (!person)
    return (
      <>
        {signInFailed && (
          <span role="alert" className="text-12 text-on-bar">
            {wording.signingInDidNotWork}
          </span>
        )}
        <a href={signInAddress(pathname + search)} className={look}>
          <UserRound size={16} className="md:hidden" aria-hidden="true" />
          <span className="max-md:sr-only">{wording.signIn}</span>
        </a>
      </>
    );
  const signOut = async () => {
    const { address } = await call(http.POST('/api/sign-out'));
    forgetPerson(client);
    window.location.assign(address);
  };
  return (
    <>
      <Menu
        trigger={
          <button type="button" className={look} aria-label={wording.recordAndSigningOut(person.name)}>
            <UserRound size={14} aria-hidden="true" />
            <span className="max-md:sr-only">{person.name}</span>
            <ChevronDown size={14} className="max-md:hidden" aria-hidden="true" />
          </button>
        }
      >
        {person.role === 'student' && (
          <MenuItem onSelect={() => setRecordOpen(true)}>{wording.yourRecord}</MenuItem>
        )}
        <MenuItem onSelect={() => void signOut()}>{wording.signOut}</MenuItem>
      </Menu>
      {isRecordOpen && <MyRecord onClose={() => setRecordOpen(false)} />}
    </>
  );
}
