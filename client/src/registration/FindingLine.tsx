import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Finding } from '@/api/client';
import { recordQuery } from '@/api/recordQueries';
import { AskAdviser } from '@/domain/AskAdviser';
import { Holds } from '@/domain/Holds';
import { Permissions } from '@/domain/Permissions';
import { numbersOf } from '@/domain/shortlist';
import { useOpenIn } from '@/domain/useOpenIn';
import type { PicksEdits } from '@/domain/usePicks';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { wording } from '@/wording/registration/FindingLine';

/** What an instructor can grant, by the finding it would clear. */
const grants: Record<string, string> = {
  consentNeeded: 'consent',
  prerequisite: 'prerequisite',
  restriction: 'restriction',
};

const inWorkbench = [
  'incomplete',
  'timeConflict',
  'overMaximum',
  'corequisite',
  'cancelled',
  'unknownSection',
];

type Props = { finding: Finding; course: string; visit: TermVisit; edits: PicksEdits };

/** Something that stands in the way, with what to do about it there and then. */
export function FindingLine({ finding, course, visit, edits }: Props) {
  const grant = grants[finding.kind];
  const openIn = useOpenIn(visit.term.id);
  const { choice } = edits.picks;
  return (
    <li>
      <span className="text-brick">{finding.sentence}</span>{' '}
      {finding.kind === 'hold' && finding.of !== null ? (
        <ReadHold hold={finding.of} />
      ) : finding.kind === 'approvalNeeded' ? (
        <AskAdviser term={visit.term.id} />
      ) : grant ? (
        <Permissions
          term={visit.term.id}
          course={course}
          findings={[{ kind: grant, sentence: finding.sentence }]}
        />
      ) : inWorkbench.includes(finding.kind) && choice ? (
        <>
          <span className="text-mute">{finding.toDo}</span>{' '}
          <button
            type="button"
            className="font-strong text-plum hover:underline"
            onClick={() => void openIn(choice.sketch, numbersOf(choice.timetable))}
          >
            {wording.changeInWorkbench}
          </button>
        </>
      ) : (
        <span className="text-mute">{finding.toDo}</span>
      )}
    </li>
  );
}

/** A hold is read, and agreed to, where it stands. */
function ReadHold({ hold }: { hold: string }) {
  const record = useQuery(recordQuery);
  const [isOpen, setOpen] = useState(false);
  const known = record.data?.record;
  const one = known?.holds.find((other) => other.id === hold);
  if (!known || !one) return null;
  return (
    <>
      <button type="button" className="font-strong text-plum hover:underline" onClick={() => setOpen(true)}>
        {one.clearedBy === 'reading' ? wording.readAndAgree : wording.readIt}
      </button>
      {isOpen && (
        <Dialog open onOpenChange={setOpen} title={one.name} isForReading>
          <Holds record={known} />
          <div className="mt-3 flex justify-end">
            <Button onClick={() => setOpen(false)}>{wording.close}</Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
