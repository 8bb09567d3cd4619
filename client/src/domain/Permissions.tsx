import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type KeyboardEvent, useId, useState } from 'react';
import { askPermission, giveInCode, isOfRecord, permissionsQuery } from '@/api/recordQueries';
import type { Eligibility } from '@/api/client';
import { Button } from '@/ui/Button';
import { PermissionState } from './PermissionState';
import { WordsField } from './WordsField';
import { wording } from '@/wording/domain/Permissions';

type Finding = Eligibility['findings'][number];

type Props = { term: string; course: string; findings: readonly Finding[] };

const kinds = ['prerequisite', 'restriction', 'consent'];

/** What an instructor can grant of what stands against a course: asked for here, by words or a code, and what came of it. */
export function Permissions({ term, course, findings }: Props) {
  const { data } = useQuery(permissionsQuery(term));
  const [isAsking, setAsking] = useState(false);
  const ofCourse = data?.permissions.filter((one) => one.course === course) ?? [];
  // What was refused can be asked for again.
  const open = [...new Set(findings.map((one) => one.kind))]
    .filter((kind) => kinds.includes(kind))
    .filter((kind) => !ofCourse.some((one) => one.kind === kind && one.isGranted !== false));
  return (
    <div className="mt-1 text-12">
      {ofCourse.length > 0 && (
        <ul aria-label={wording.permissions}>
          {ofCourse.map((one, i) => (
            <li key={i} className="break-words">
              {wording.of(one.kind)} <PermissionState of={one} />
            </li>
          ))}
        </ul>
      )}
      {data && open.length > 0 && !isAsking && (
        <Button look="quiet" className="-ml-2.5 print:hidden" onClick={() => setAsking(true)}>
          {wording.ask}
        </Button>
      )}
      {isAsking && open.length > 0 && (
        <AskForm term={term} course={course} kinds={open} onDone={() => setAsking(false)} />
      )}
    </div>
  );
}

type FormProps = { term: string; course: string; kinds: readonly string[]; onDone: () => void };

function AskForm({ term, course, kinds, onDone }: FormProps) {
  const client = useQueryClient();
  const [chosen, setChosen] = useState(kinds[0]!);
  const kind = kinds.includes(chosen) ? chosen : kinds[0]!;
  const [words, setWords] = useState('');
  const [code, setCode] = useState('');
  const codeId = useId();
  const sent = {
    onSuccess: () => {
      onDone();
      return client.invalidateQueries({ predicate: ({ queryKey }) => isOfRecord(queryKey) });
    },
  };
  const ask = useMutation({ mutationFn: () => askPermission(term, course, kind, words), ...sent });
  const give = useMutation({ mutationFn: () => giveInCode(term, code), ...sent });
  const leave = (event: KeyboardEvent) => {
    if (event.key === 'Escape') onDone();
  };
  const problem = ask.error ?? give.error;
  const isSending = ask.isPending || give.isPending;
  return (
    <form
      className="mt-1 max-w-prose space-y-2 border-l-2 border-rule pl-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (code.trim() === '') ask.mutate();
        else give.mutate();
      }}
    >
      {kinds.length > 1 && (
        <fieldset>
          <legend className="mb-0.5">{wording.whatFor}</legend>
          {kinds.map((one) => (
            <label key={one} className="flex items-center gap-2 py-0.5">
              <input
                type="radio"
                name="kind"
                checked={one === kind}
                onKeyDown={leave}
                onChange={() => setChosen(one)}
              />
              {wording.kind(one)}
            </label>
          ))}
        </fieldset>
      )}
      <WordsField
        label={kinds.length > 1 ? wording.why : wording.whyFor(kind)}
        words={words}
        onChange={setWords}
        onEscape={onDone}
      />
      <div>
        <label htmlFor={codeId} className="mb-1 block">
          {wording.code}
        </label>
        <input
          id={codeId}
          maxLength={50}
          autoComplete="off"
          onKeyDown={leave}
          value={code}
          onChange={(event) => setCode(event.target.value)}
          className="w-full rounded-[4px] border border-rule bg-paper px-2 py-1.5"
        />
      </div>
      {problem && (
        <p role="alert" className="text-brick">
          {problem.message}
        </p>
      )}
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={isSending || (words.trim() === '' && code.trim() === '')}>
          {code.trim() === '' ? wording.send : wording.giveIn}
        </Button>
        <Button look="quiet" onClick={onDone}>
          {wording.cancel}
        </Button>
      </div>
    </form>
  );
}
