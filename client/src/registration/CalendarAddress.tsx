import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError, call, http } from '@/api/client';
import { calendarAddressQuery } from '@/api/queries';
import { copyText } from '@/lib/copyText';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { wording } from '@/wording/registration/CalendarAddress';
import { common } from '@/wording/common';

type Props = { term: string; onClose: () => void };

/** The address under which calendar programs follow the choice: given, copied, changed and withdrawn. */
export function CalendarAddress({ term, onClose }: Props) {
  const client = useQueryClient();
  const query = calendarAddressQuery(term);
  const found = useQuery(query);
  const [copied, setCopied] = useState(false);
  const params = { path: { term } };
  const give = useMutation({
    mutationFn: () => call(http.POST('/api/terms/{term}/calendar-address', { params })),
    onSuccess: (record) => client.setQueryData(query.queryKey, record),
  });
  const withdraw = useMutation({
    mutationFn: async () => {
      const { response } = await http.DELETE('/api/terms/{term}/calendar-address', { params });
      if (!response.ok) throw new ApiError(response.status, wording.addressCouldNotBeWithdrawn);
    },
    onSuccess: () => client.setQueryData(query.queryKey, { path: null }),
  });
  const problem = found.error ?? give.error ?? withdraw.error;
  const address = found.data?.path ? `${window.location.origin}${found.data.path}` : null;
  return (
    <Dialog open onOpenChange={onClose} title={wording.calendarAddress}>
      <p className="text-12 text-mute">{wording.calendarProgramSubscribesToAddress}</p>
      {problem && (
        <p role="alert" className="mt-2 text-12 text-brick">
          {problem.message}
        </p>
      )}
      {address && (
        <input
          readOnly
          aria-label={wording.address}
          value={address}
          onFocus={(event) => event.target.select()}
          className="mt-3 w-full rounded-[4px] border border-rule bg-paper px-2 py-1.5 text-12"
        />
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        {address ? (
          <>
            <Button look="main" onClick={() => void copyText(address).then(() => setCopied(true))}>
              {copied ? common.copied : wording.copy}
            </Button>
            <Button
              onClick={() => {
                setCopied(false);
                give.mutate();
              }}
            >
              {wording.makeNewAddress}
            </Button>
            <Button onClick={() => withdraw.mutate()}>{wording.withdraw}</Button>
          </>
        ) : (
          found.data && (
            <Button look="main" disabled={give.isPending} onClick={() => give.mutate()}>
              {wording.makeAddress}
            </Button>
          )
        )}
      </div>
    </Dialog>
  );
}
