import { useMutation, useQueryClient } from '@tanstack/react-query';
import { call, http, type MyRecord } from '@/api/client';
import { recordQuery } from '@/api/recordQueries';
import { Button } from '@/ui/Button';
import { wording } from '@/wording/domain/Holds';

/** What stands in the way of registering, each to be read and agreed to where that clears it. */
export function Holds({ record }: { record: MyRecord['record'] }) {
  const client = useQueryClient();
  const agree = useMutation({
    mutationFn: (hold: string) =>
      call(http.POST('/api/record/holds/{hold}/agreement', { params: { path: { hold } } })),
    onSuccess: (known) => client.setQueryData(recordQuery.queryKey, known),
  });
  return (
    <section aria-labelledby="my-holds">
      <h3 id="my-holds" className="text-14 font-heavy">
        {wording.holds}
      </h3>
      <p role="status" className="text-mute">
        {record.holds.length === 0 ? wording.nothingStandsInWay : ''}
      </p>
      <ul className="mt-1 grid gap-3">
        {record.holds.map((hold) => (
          <li key={hold.id} className="border-l-2 border-brick pl-3">
            <p>
              <span className="font-strong">{hold.name}</span>{' '}
              <span className="text-12 text-mute">{wording.putBy(hold.office)}</span>
            </p>
            <p className="max-w-[70ch] whitespace-pre-line">{hold.text}</p>
            {hold.clearedBy === 'reading' ? (
              <div className="mt-1.5">
                <Button disabled={agree.isPending} onClick={() => agree.mutate(hold.id)}>
                  {wording.readAndAgree}
                </Button>
              </div>
            ) : (
              <p className="text-12 text-mute">{wording.toClear(hold.office)}</p>
            )}
          </li>
        ))}
      </ul>
      {agree.isError && (
        <p role="alert" className="mt-1 text-brick">
          {agree.error.message}
        </p>
      )}
    </section>
  );
}
