import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import type { MyRecord as Known } from '@/api/client';
import { recordQuery } from '@/api/recordQueries';
import { termsQuery } from '@/api/queries';
import { Holds } from '@/domain/Holds';
import { sayAge } from '@/wording/ages';
import { Button } from '@/ui/Button';
import { Dialog } from '@/ui/Dialog';
import { wording } from '@/wording/app/MyRecord';
import { common } from '@/wording/common';

type Record = Known['record'];

/** What the registrar knows of who is signed in: what is in the way first. */
export function MyRecord({ onClose }: { onClose: () => void }) {
  const known = useQuery(recordQuery);
  return (
    <Dialog open onOpenChange={onClose} title={wording.yourRecord} wide isForReading>
      {known.isPending && <p role="status">{wording.askingRegistrar}</p>}
      {known.isError && (
        <div role="alert" className="flex flex-wrap items-center gap-3">
          <p className="min-w-0 flex-1">{known.error.message}</p>
          <Button onClick={() => void known.refetch()}>{common.tryAgain}</Button>
        </div>
      )}
      {known.data && (
        <div className="grid gap-4">
          {!known.data.isCurrent && (
            <p role="status" className="border-l-2 border-brick pl-2 text-12">
              {wording.registrarDoesNotAnswerJust(sayAge(known.data.asOf, known.dataUpdatedAt))}
            </p>
          )}
          <Who record={known.data.record} />
          <Holds record={known.data.record} />
          <Taken record={known.data.record} />
        </div>
      )}
    </Dialog>
  );
}

function Who({ record }: { record: Record }) {
  const { term = '' } = useParams();
  const terms = useQuery(termsQuery);
  const name = terms.data?.terms.find((one) => one.id === term)?.name ?? term;
  const opening = record.opening[term];
  const approval = record.approvals[term];
  const { fullTime, maximum } = record.load;
  const facts = [
    [common.number, record.student],
    [wording.programme, record.programmes.join(', ')],
    [wording.year, record.year],
    [wording.standing, record.standing],
    [
      wording.creditsTerm,
      fullTime !== null && maximum !== null ? wording.fullTimeMaximum(fullTime, maximum) : '',
    ],
    [wording.registersFor(name), opening === undefined ? '' : wording.fromMoment(sayMoment(opening))],
    [
      wording.advisersApproval(name),
      approval === 'needed'
        ? wording.neededNotGivenYet
        : approval === 'given'
          ? wording.given
          : wording.notNeeded,
    ],
  ].filter(([, value]) => value !== '');
  return (
    <section aria-label={wording.whoYouAre}>
      <h3 className="text-16 font-heavy">{record.name}</h3>
      <dl className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-x-4 gap-y-2">
        {facts.map(([label, value]) => (
          <div key={label}>
            <dt className="text-12 text-mute">{label}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function Taken({ record }: { record: Record }) {
  const terms = useQuery(termsQuery);
  const rows = [
    // The latest first, as the registrar has them the other way round.
    ...record.taken.toReversed().map((one) => ({
      what: one.course,
      when: terms.data?.terms.find((term) => term.id === one.term)?.name ?? one.term,
      credits: one.credits,
      how:
        one.grade ??
        (one.status === 'completed'
          ? wording.noGrade
          : one.status === 'underWay'
            ? wording.underWay
            : wording.planned),
    })),
    ...record.exams.map((one) => ({
      what: one.countsAs.join(', ') || one.exam,
      when: wording.exam,
      credits: one.credits,
      how: `${one.exam}, ${one.score}`,
    })),
    ...record.transfer.map((one) => ({
      what: one.as,
      when: wording.transfer,
      credits: one.credits,
      how: wording.from(one.from),
    })),
  ];
  return (
    <section aria-labelledby="my-courses">
      <h3 id="my-courses" className="text-14 font-heavy">
        {wording.courses}
      </h3>
      {rows.length === 0 ? (
        <p className="text-mute">{wording.noneYet}</p>
      ) : (
        <table className="w-full max-w-2xl">
          <thead className="text-12 text-mute">
            <tr>
              <th className="py-1 pr-3 text-left font-normal">{common.course}</th>
              <th className="py-1 pr-3 text-left font-normal">{wording.term}</th>
              <th className="py-1 pr-3 text-right font-normal">{common.credits}</th>
              <th className="py-1 text-left font-normal">{wording.grade}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i} className="border-t border-hair">
                <td className="py-1 pr-3 whitespace-nowrap">{row.what}</td>
                <td className="py-1 pr-3 whitespace-nowrap text-mute">{row.when}</td>
                <td className="py-1 pr-3 text-right tabular-nums">{row.credits}</td>
                <td className="py-1">{row.how}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** A moment as it is at the campus, whose offset it is written with. */
function sayMoment(moment: string): string {
  const [date, time] = moment.split('T');
  const day = new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  });
  return `${day}, ${time!.slice(0, 5).replace(/^0/, '')}`;
}
