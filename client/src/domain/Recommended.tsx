import { wording } from '@/wording/domain/Recommended';

/** That the adviser recommends a course, and why. */
export function Recommended({ words }: { words: string | undefined }) {
  if (words === undefined) return null;
  return (
    <p className="mt-0.5 text-12 break-words">
      <span className="font-strong text-plum">{wording.byAdviser}</span>
      {words !== '' && wording.said(words)}
    </p>
  );
}
