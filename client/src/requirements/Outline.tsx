import { useState } from 'react';
import type { Audit, RequirementNode, Requirements, Term } from '@/api/client';
import { Select } from '@/ui/Select';
import { counted } from '@/wording/counted';
import { NodeRow } from './NodeRow';
import { Outside } from './Outside';
import { ProgressBar } from './ProgressBar';
import { TermApproval } from './TermApproval';
import { wording } from '@/wording/requirements/Outline';

type Props = {
  term: Term;
  data: Requirements;
  audit: Audit;
  selected: string | null;
  onSelect: (leaf: string) => void;
  onProgramme: (id: string) => void;
};

/** The programme as an outline: every requirement with how it stands; what is done is folded. */
export function Outline({ term, data, audit, selected, onSelect, onProgramme }: Props) {
  const programme = data.programmes.find((one) => one.id === audit.programme);
  const [opened, setOpened] = useState<ReadonlyMap<string, boolean>>(new Map());
  const isOpen = (node: RequirementNode) =>
    opened.get(node.id) ?? (node.state !== 'done' && node.state !== 'notNeeded');
  const [root] = audit.nodes;
  // A programme that is one leaf has no parts.
  const top = audit.nodes.filter((node) => (root!.kind === 'all' ? node.parent === root!.id : node === root));
  const planned = audit.shortWithUnderWay - audit.short;
  const free = audit.needed - audit.completed - audit.underWay - audit.planned;
  return (
    <section
      aria-label={wording.programme}
      className="flex min-h-0 w-[560px] shrink-0 flex-col overflow-y-auto border-r border-rule bg-sheet px-4 py-3 max-lg:w-[46%] max-md:w-full max-md:border-r-0 max-md:px-3"
    >
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <h1 className="min-w-0 text-16 leading-snug font-heavy break-words">{programme?.name}</h1>
        {programme && programme.from !== '' && (
          <span className="text-12 text-mute">{wording.from(programme.from)}</span>
        )}
        {data.programmes.length > 1 && (
          <Select
            label={wording.programme}
            isLabelHidden
            value={audit.programme}
            choices={data.programmes.map((one) => ({ value: one.id, label: one.name }))}
            onChange={onProgramme}
          />
        )}
        <p className="ml-auto" role="status">
          {audit.short === 0 ? (
            <span className="font-heavy">
              {planned > 0 ? wording.nothingMissingPlanned : wording.nothingMissing}
            </span>
          ) : (
            <>
              <span className="font-heavy">
                {audit.isExact ? counted.credits(audit.short) : wording.atMost(counted.credits(audit.short))}
              </span>{' '}
              {wording.stillShort}
            </>
          )}
          {audit.short === 0 && free > 0 && <span className="text-mute">{wording.freeChoice(free)}</span>}
          {planned > 0 && audit.short > 0 && (
            <span className="text-mute">{wording.planSettles(planned)}</span>
          )}
        </p>
      </div>
      <div className="mt-2 flex items-center gap-3">
        <ProgressBar
          className="min-w-0 flex-1"
          total={Math.max(audit.needed, audit.completed + audit.underWay + audit.planned)}
          completed={audit.completed}
          underWay={audit.underWay}
          planned={audit.planned}
        />
        <p className="shrink-0 text-12 text-mute">
          {wording.creditsSoFar(audit.completed, audit.underWay, audit.planned, audit.needed)}
        </p>
      </div>
      <TermApproval term={term} />
      <ul className="mt-2 border-t border-hair">
        {top.map((node) => (
          <NodeRow
            key={node.id}
            node={node}
            all={audit.nodes}
            isOpen={isOpen}
            onToggle={(id, open) => setOpened((now) => new Map(now).set(id, open))}
            selected={selected}
            onSelect={onSelect}
          />
        ))}
      </ul>
      <Outside outside={data.outside} unused={audit.unused} />
      {data.unknown.length > 0 && (
        <p className="mt-2 text-12 text-mute">{wording.alsoIn(data.unknown.join(', '))}</p>
      )}
    </section>
  );
}
