import { useQuery } from '@tanstack/react-query';
import { eligibilityQuery, meQuery } from '@/api/recordQueries';
import { Permissions } from './Permissions';
import { sayAge } from '@/wording/ages';
import { wording } from '@/wording/domain/MayTake';

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
  if (isError) return <p className="text-12 text-mute">{wording.registrarDoesNotSayJust}</p>;
  const found = data?.courses[0];
  if (!found) return null;
  return (
    <div className="mt-2">
      {found.mayTake ? (
        <p>
          <span className="font-strong text-moss">{wording.mayTake}</span> {found.ifPassed}
        </p>
      ) : (
        <>
          <p className="font-strong text-brick">{wording.mayNotTakeAsThings}</p>
          <ul>
            {found.findings.map((finding) => (
              <li key={finding.sentence}>{finding.sentence}</li>
            ))}
          </ul>
        </>
      )}
      <Permissions term={term} course={course} findings={found.findings} />
      {!data.isCurrent && (
        <p className="text-mute">{wording.byRecordRegistrarDoes(sayAge(data.asOf, dataUpdatedAt))}</p>
      )}
    </div>
  );
}
