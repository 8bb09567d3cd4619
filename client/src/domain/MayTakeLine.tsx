import { useQuery } from '@tanstack/react-query';
import type { Ask } from '@/api/client';
import { eligibilityQuery, meQuery } from '@/api/recordQueries';
import { takenBeside } from './edits';

type Props = {
  term: string;
  course: string;
  ask: Ask;
  /** Whether all of it is shown, on as many lines as it takes. */
  isWhole: boolean;
};

/** In one line, why the student who is signed in may not take a wanted course; nothing where they may. */
export function MayTakeLine({ term, course, ask, isWhole }: Props) {
  const me = useQuery(meQuery);
  const courses = takenBeside(ask);
  const { data } = useQuery({
    ...eligibilityQuery(term, courses, courses),
    enabled: me.data?.person?.role === 'student' && courses.length > 0,
  });
  const found = data?.courses.find((one) => one.course === course);
  if (!found || (found.mayTake && found.ifPassed === null)) return null;
  const sentences = found.mayTake ? [found.ifPassed] : found.findings.map(({ sentence }) => sentence);
  return (
    <div
      title={sentences.join('\n')}
      className={`${isWhole ? '' : 'truncate'} text-12 leading-tight ${found.mayTake ? 'text-mute' : 'text-brick'}`}
    >
      {sentences.join(' ')}
    </div>
  );
}
