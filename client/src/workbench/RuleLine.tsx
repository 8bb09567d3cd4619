import { X } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { sayCount } from '@/wording/counts';
import type { Rule } from '@/domain/rules';
import { wording } from '@/wording/workbench/RuleLine';

type Props = {
  rule: Rule;
  /** Timetables without it less timetables with it, as text; null while it is not known. */
  cost: string | null;
  /** The least that may be, where no more is known. */
  least: string | null;
  onSwitch: () => void;
  onRemove: (() => void) | null;
  /** What changes the rule, shown in place; null where only the switch does. */
  editor: ((close: () => void) => ReactNode) | null;
  /** Opens what changes the rule elsewhere. */
  onOpen: (() => void) | null;
};

const signs: Record<string, string> = { block: 'hatch', soft: 'dots' };

/** One rule as a line: on or off, what it says, what it costs; it opens to its controls. */
export function RuleLine({ rule, cost, least, onSwitch, onRemove, editor, onOpen }: Props) {
  const [isOpen, setOpen] = useState(false);
  const isOn = rule.path !== null;
  const canOpen = editor !== null || onOpen !== null;
  return (
    <li className="border-b border-hair" data-rule={rule.key}>
      <div className="flex items-center gap-2 py-1.5">
        <input
          type="checkbox"
          checked={isOn}
          onChange={onSwitch}
          aria-label={`${rule.text}: ${isOn ? 'on' : 'off'}`}
          title={isOn ? wording.switchOffKept : wording.switchOn}
          className="size-3.5 shrink-0 accent-plum"
        />
        <Sign rule={rule} />
        <button
          type="button"
          disabled={!canOpen}
          aria-expanded={editor ? isOpen : undefined}
          onClick={() => {
            if (onOpen) onOpen();
            else setOpen(!isOpen);
          }}
          className={`min-w-0 flex-1 text-left leading-snug break-words enabled:hover:text-plum disabled:cursor-default ${isOn ? '' : 'text-mute'}`}
        >
          {rule.text}
        </button>
        {isOn && <Cost cost={rule.isSoft ? 'soft' : cost} least={least} />}
        {onRemove && (
          <button
            type="button"
            aria-label={wording.removeText(rule.text)}
            onClick={onRemove}
            className="-mr-1 rounded-[3px] p-1 text-mute hover:bg-hair hover:text-ink"
          >
            <X size={13} aria-hidden="true" />
          </button>
        )}
      </div>
      {isOpen && editor && <div className="pb-2.5 pl-[22px]">{editor(() => setOpen(false))}</div>}
    </li>
  );
}

function Sign({ rule }: { rule: Rule }) {
  const { kind } = rule.what;
  if (kind === 'break')
    return <span className="h-2 w-4 shrink-0 border-2 border-t-0 border-gold" aria-hidden="true" />;
  if (kind !== 'block') return null;
  return (
    <span
      className={`size-3.5 shrink-0 border border-rule ${signs[rule.isSoft ? 'soft' : 'block']}`}
      aria-hidden="true"
    />
  );
}

/** How many timetables there would be more without the rule. */
function Cost({ cost, least }: { cost: string | null; least: string | null }) {
  if (cost === null && least !== null && BigInt(least) > 0n)
    return (
      <span
        className="shrink-0 text-12 font-strong text-plum tabular-nums"
        title={wording.atLeastMoreTimetablesWithout(sayCount(least))}
      >
        ≥ +{sayCount(least)}
        <span className="sr-only">{wording.timetablesWithout}</span>
      </span>
    );
  if (cost === null) return <span className="w-8 shrink-0" />;
  if (cost === 'soft') return <span className="shrink-0 text-12 text-mute">{wording.onlyWish}</span>;
  const isFree = cost === '0';
  return (
    <span
      className={`shrink-0 text-12 font-strong tabular-nums ${isFree ? 'text-mute' : 'text-plum'}`}
      title={wording.moreTimetablesWithout(sayCount(cost))}
    >
      {cost.startsWith('-') ? sayCount(cost) : `+${sayCount(cost)}`}
      <span className="sr-only">{wording.timetablesWithout}</span>
    </span>
  );
}
