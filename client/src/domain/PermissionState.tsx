import type { Permission } from '@/api/client';
import { wording } from '@/wording/domain/PermissionState';

/** What came of something that was asked for, with the words of who decided. */
export function PermissionState({ of }: { of: Permission }) {
  return (
    <>
      {of.isGranted === null ? (
        <span className="text-mute">{wording.waiting}</span>
      ) : of.isGranted ? (
        <span className="font-strong text-moss">{wording.granted}</span>
      ) : (
        <span className="font-strong text-brick">{wording.refused}</span>
      )}
      {of.answer !== '' && wording.answered(of.answer)}
    </>
  );
}
