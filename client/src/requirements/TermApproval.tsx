import type { Term } from '@/api/client';
import { AskAdviser } from '@/domain/AskAdviser';
import { useAdvice } from '@/domain/useAdvice';
import { wording } from '@/wording/requirements/TermApproval';

/** Whether the adviser approved the term, where that is needed, and the asking for it. */
export function TermApproval({ term }: { term: Term }) {
  const { approval } = useAdvice(term.id);
  if (approval === null) return null;
  return (
    <div
      className={`mt-2 border-l-2 pl-3 text-left ${approval === 'given' ? 'border-moss' : 'border-brick'}`}
    >
      {approval === 'given' ? (
        <p className="text-12 font-strong text-moss">{wording.approved(term.name)}</p>
      ) : (
        <>
          <p className="text-12 font-strong text-brick">{wording.notApproved(term.name)}</p>
          <AskAdviser term={term.id} />
        </>
      )}
    </div>
  );
}
