import { useQuery } from '@tanstack/react-query';
import { ApiError } from '@/api/client';
import { pressesQuery } from '@/api/registrationQueries';
import { wording } from '@/wording/registration/RegistrarSilent';

type Props = { term: string; problem: Error };

/** That the registrar does not answer, and what was sent to it and is on its way. */
export function RegistrarSilent({ term, problem }: Props) {
  const { data } = useQuery(pressesQuery(term));
  const unanswered = data?.presses.filter((press) => press.answeredUtc === null) ?? [];
  return (
    <div role="alert" className="border-b border-brick bg-sheet px-4 py-1.5 text-12">
      <p className="text-brick">{problem instanceof ApiError ? problem.message : wording.registrarSilent}</p>
      {data && unanswered.length > 0 && (
        <ul aria-label={wording.onItsWay} className="mt-1">
          {unanswered.map((press) => (
            <li key={press.key}>
              <span className="font-strong">{wording.noAnswerYet}</span>
              {wording.courses(press.lines.map((line) => line.course))}
              <span className="text-mute">{wording.sentAt(press.sentUtc, data.timeZone)}</span>
            </li>
          ))}
        </ul>
      )}
      {unanswered.length > 0 && <p className="text-mute">{wording.askedAgain}</p>}
    </div>
  );
}
