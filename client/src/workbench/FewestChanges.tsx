import { useQuery } from '@tanstack/react-query';
import type { Ask } from '@/api/client';
import { fewestChangesQuery } from '@/api/answerQueries';
import { factsOf } from '@/domain/facts';
import { sayChanges } from '@/wording/changes';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { wording } from '@/wording/workbench/FewestChanges';

/** So many are listed: who looks further changes what is asked. */
const listed = 50;

type Props = {
  ask: Ask;
  onShow: (numbers: readonly string[]) => Promise<boolean>;
  onClose: () => void;
};

/** The timetables by how many courses they change of what is held, and of equals the best first. */
export function FewestChanges({ ask, onShow, onClose }: Props) {
  const found = useQuery(fewestChangesQuery(ask, listed));
  return (
    <Dialog open onOpenChange={onClose} title={wording.fewestChanges} wide isForReading>
      <p className="mb-2 text-12 text-mute">{wording.explained(listed)}</p>
      {found.isPending && <p role="status">{wording.looking}</p>}
      {found.isError && (
        <p role="alert" className="text-brick">
          {found.error.message}
        </p>
      )}
      {found.data && !found.data.isExact && <p className="mb-2 text-12">{wording.inTime}</p>}
      {found.data?.timetables.length === 0 && <p>{wording.none}</p>}
      <ol>
        {found.data?.timetables.map((one) => (
          <li
            key={one.sections.join()}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair py-1.5 text-12"
          >
            <span className="min-w-[150px] font-strong">{sayChanges(one)}</span>
            <span className="flex-1 text-mute">
              {factsOf(one)
                .map((fact) => `${fact.name} ${fact.value}`)
                .join(' · ')}
            </span>
            <Button
              className="px-2! py-0.5! text-12!"
              onClick={() => {
                void onShow(one.sections);
                onClose();
              }}
            >
              {wording.show}
            </Button>
          </li>
        ))}
      </ol>
    </Dialog>
  );
}
