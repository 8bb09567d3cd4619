import { useQuery } from '@tanstack/react-query';
import type { HeldBundle } from '@/api/client';
import { checkQuery } from '@/api/registrationQueries';
import type { Sections } from '@/domain/useSections';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { dropLine } from './lines';
import { sayBundle } from './sayBundle';
import type { Pressing } from './usePress';
import { wording } from '@/wording/registration/DropDialog';

type Props = {
  term: string;
  held: HeldBundle;
  sections: Sections;
  pressing: Pressing;
  onClose: () => void;
};

/** Dropping a course, with what else falls said before. */
export function DropDialog({ term, held, sections, pressing, onClose }: Props) {
  const lines = [dropLine(held.course, held.sections)];
  const check = useQuery(checkQuery(term, lines));
  const result = check.data?.lines[0];
  const isPossible = result?.outcome === 'dropped';
  return (
    <Dialog open onOpenChange={onClose} title={wording.dropCourse(held.course)} isForReading>
      <p>{wording.goes(sayBundle(held.sections, sections))}</p>
      {check.isPending && (
        <p role="status" className="mt-2 text-12 text-mute">
          {wording.asking}
        </p>
      )}
      {check.isError && (
        <p role="alert" className="mt-2 text-12 text-brick">
          {check.error.message}
        </p>
      )}
      {result && (
        <ul className="mt-2 grid gap-1 text-12">
          {result.findings.map((finding) => (
            <li key={finding.sentence} className={finding.isWarning ? 'font-strong' : 'text-brick'}>
              {finding.sentence} <span className="font-text text-mute">{finding.toDo}</span>
            </li>
          ))}
          {isPossible && result.findings.length === 0 && <li className="text-mute">{wording.nothingElse}</li>}
        </ul>
      )}
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>{wording.keepIt}</Button>
        <Button
          look="main"
          disabled={!isPossible}
          onClick={() => {
            pressing.press(lines);
            onClose();
          }}
        >
          {wording.drop}
        </Button>
      </div>
    </Dialog>
  );
}
