import { useQuery } from '@tanstack/react-query';
import { eligibilityQuery, meQuery } from '@/api/recordQueries';
import { sayAge } from '@/lib/age';

type Props = { term: string; course: string; beside: readonly string[] };

/** Whether the student who is signed in may take a course, and why not; it blocks nothing. */
export function MayTake({ term, course, beside }: Props) {
  const me = useQuery(meQuery);
  const isStudent = me.data?.person?.role === 'student';
  const { data, isError, dataUpdatedAt } = useQuery({
    ...eligibilityQuery(term, [course], beside),
    enabled: isStudent,
  });
  if (!isStudent) return null;
  if (isError)
    return <p className="text-12 text-mute">The registrar does not say just now whether you may take it.</p>;
  const found = data?.courses[0];
  if (!found) return null;
  return (
    <div className="mt-2">
      {found.mayTake ? (
        <p>
          <span className="font-strong text-moss">You may take it.</span> {found.ifPassed}
        </p>
      ) : (
        <>
          <p className="font-strong text-brick">You may not take it as things are</p>
          <ul>
            {found.findings.map((finding) => (
              <li key={finding.sentence}>{finding.sentence}</li>
            ))}
          </ul>
        </>
      )}
      {!data.isCurrent && (
        <p className="text-mute">
          By your record {sayAge(data.asOf, dataUpdatedAt)}; the registrar does not answer.
        </p>
      )}
    </div>
  );
}
