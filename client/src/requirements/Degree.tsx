import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { requirementsQuery } from '@/api/requirementQueries';
import { usePlan } from '@/domain/usePlan';
import type { TermVisit } from '@/domain/useTermVisit';
import { useIsNarrow } from '@/lib/useIsNarrow';
import { sayAge } from '@/wording/ages';
import { Dialog } from '@/ui/Dialog';
import { Message } from '@/ui/Message';
import { Failure, Loading } from '@/ui/States';
import { LeafPanel } from './LeafPanel';
import { Outline } from './Outline';
import { PrintedPlan } from './PrintedPlan';
import { Strip } from './Strip';
import { TermApproval } from './TermApproval';
import { useDoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/Degree';

/** The degree of who is signed in: the outline, what the term offers for one requirement, and terms ahead. */
export function Degree({ visit }: { visit: TermVisit }) {
  const { term } = visit;
  const plans = usePlan();
  const [programme, setProgramme] = useState<string | null>(null);
  const [selected, setSelected] = useState<string | null>(null);
  const isNarrow = useIsNarrow();
  const query = useQuery({
    ...requirementsQuery(term.id, programme, plans.plan),
    enabled: plans.isLoaded,
  });
  const here = useDoneHere(visit.sketch, plans);

  if (plans.failed)
    return <Failure what={wording.termsAheadNotRead} problem={plans.failed} onRetry={plans.retry} />;
  if (query.isError && query.data === undefined)
    return (
      <Failure
        what={wording.requirementsNotRead}
        problem={query.error}
        onRetry={() => void query.refetch()}
      />
    );
  if (!query.data) return <Loading />;
  const { data } = query;
  const { audit } = data;
  const leaves = audit?.nodes.filter((node) => node.kind === 'courses' || node.kind === 'credits') ?? [];
  // What is most worth a look stands open at first, where there is room for it.
  const first = leaves.find((node) => node.state === 'short') ?? leaves[0];
  const leaf = leaves.find((node) => node.id === selected) ?? (isNarrow ? undefined : first);
  const panel = audit && leaf && (
    <LeafPanel
      key={`${audit.programme} ${leaf.id}`}
      visit={visit}
      programme={audit.programme}
      leaf={leaf}
      plan={plans.plan}
      terms={data.terms.filter((one) => one.number > 0)}
      here={here}
    />
  );
  return (
    <>
      <main className="flex min-h-0 flex-1 flex-col print:hidden max-md:flex-none">
        {!data.isCurrent && (
          <p role="status" className="border-b border-brick bg-sheet px-4 py-1 text-12">
            {wording.registrarAway(sayAge(data.asOf, query.dataUpdatedAt))}
          </p>
        )}
        <div className="flex min-h-0 flex-1">
          {audit ? (
            <>
              <Outline
                term={term}
                data={data}
                audit={audit}
                selected={leaf?.id ?? null}
                onSelect={setSelected}
                onProgramme={(id) => {
                  setProgramme(id);
                  setSelected(null);
                }}
              />
              {!isNarrow && (
                <section
                  aria-label={wording.whatTermOffers(term.name)}
                  className="min-h-0 min-w-0 flex-1 overflow-y-auto"
                >
                  {panel}
                </section>
              )}
            </>
          ) : (
            <Message title={wording.noProgrammeKnown} heading="h1">
              <p>
                {data.unknown.length > 0
                  ? wording.programmesNotHere(data.unknown.join(', '))
                  : wording.inNoProgramme}
              </p>
              <TermApproval term={term} />
            </Message>
          )}
        </div>
        <Strip visit={visit} data={data} programme={audit?.programme ?? null} plans={plans} here={here} />
      </main>
      {isNarrow && panel && selected !== null && (
        <Dialog
          title={leaf.name}
          open
          sheet
          isForReading
          onOpenChange={(isOpen) => !isOpen && setSelected(null)}
        >
          {panel}
        </Dialog>
      )}
      <PrintedPlan data={data} />
    </>
  );
}
