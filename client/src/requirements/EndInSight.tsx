import { useQuery } from '@tanstack/react-query';
import { endInSightQuery } from '@/api/requirementQueries';
import { Button } from '@/ui/Button';
import { putAll } from './planEdits';
import type { DoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/EndInSight';

type Props = { term: string; programme: string; here: DoneHere };

/** When the programme can be done at the earliest, with a plan that reaches it, and what waiting costs. */
export function EndInSight({ term, programme, here }: Props) {
  const { data, isError, error } = useQuery(endInSightQuery(term, programme));
  const plan = data?.plan ?? [];
  return (
    <div className="mt-1 grid gap-1 text-12">
      <p role="status" className="font-strong">
        {data ? data.sentence : isError ? error.message : wording.looking}
      </p>
      {plan.some((one) => one.courses.length > 0) && (
        <Button
          look="quiet"
          className="-ml-px justify-self-start !px-0 !py-0 text-12"
          title={plan.map((one) => `${one.name}: ${one.courses.join(', ')}`).join('\n')}
          onClick={() => here.changePlan(wording.planIsIn, (now) => putAll(now, plan))}
        >
          {wording.putPlanIn}
        </Button>
      )}
      {data && data.waiting.length > 0 && (
        <ul className="grid gap-1 text-mute">
          {data.waiting.map((one) => (
            <li key={one.course}>{one.sentence}</li>
          ))}
        </ul>
      )}
      {data && !data.isExact && <p className="text-mute">{wording.notSure}</p>}
    </div>
  );
}
