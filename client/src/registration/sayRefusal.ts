import type { Finding } from '@/api/client';
import { wording } from '@/wording/registration/sayRefusal';

/** A finding in two words, where there is little room. */
export function sayRefusal(finding: Finding | undefined): string {
  return (finding && wording.kinds[finding.kind]) ?? wording.notRegistered;
}
