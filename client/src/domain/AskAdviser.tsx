import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { askApproval, isOfRecord, permissionsQuery } from '@/api/recordQueries';
import { Button } from '@/ui/Button';
import { PermissionState } from './PermissionState';
import { WordsField } from './WordsField';
import { wording } from '@/wording/domain/AskAdviser';
import { common } from '@/wording/common';

/** The adviser’s approval of a term, which is needed: asked for here, and what came of it. */
export function AskAdviser({ term }: { term: string }) {
  const { data } = useQuery(permissionsQuery(term));
  const [isAsking, setAsking] = useState(false);
  const last = data?.permissions.findLast((one) => one.kind === 'approval');
  return (
    <div className="mt-1 text-12">
      {last && (
        <p className="break-words">
          {wording.asked} <PermissionState of={last} />
        </p>
      )}
      {/* What was refused, or taken back, can be asked for again. */}
      {data && last?.isGranted !== null && !isAsking && (
        <Button look="quiet" className="-ml-2.5 print:hidden" onClick={() => setAsking(true)}>
          {wording.ask}
        </Button>
      )}
      {isAsking && last?.isGranted !== null && <AskForm term={term} onDone={() => setAsking(false)} />}
    </div>
  );
}

function AskForm({ term, onDone }: { term: string; onDone: () => void }) {
  const client = useQueryClient();
  const [words, setWords] = useState('');
  const ask = useMutation({
    mutationFn: () => askApproval(term, words),
    onSuccess: () => {
      onDone();
      return client.invalidateQueries({ predicate: ({ queryKey }) => isOfRecord(queryKey) });
    },
  });
  return (
    <form
      className="mt-1 max-w-prose space-y-2 border-l-2 border-rule pl-3"
      onSubmit={(event) => {
        event.preventDefault();
        ask.mutate();
      }}
    >
      <WordsField label={wording.words} words={words} onChange={setWords} onEscape={onDone} />
      {ask.error && (
        <p role="alert" className="text-brick">
          {ask.error.message}
        </p>
      )}
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={ask.isPending}>
          {wording.send}
        </Button>
        <Button look="quiet" onClick={onDone}>
          {common.cancel}
        </Button>
      </div>
    </form>
  );
}
