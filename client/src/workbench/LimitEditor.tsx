import { type ReactNode, useState } from 'react';
import type { Ask } from '@/api/client';
import { daysOf } from '@/lib/days';
import { sayMode } from '@/wording/modes';
import { apiTime, minuteOf, readTime } from '@/lib/time';
import { sayTime } from '@/wording/times';
import { isDayLimit, numberOf } from '@/wording/dayLimits';
import { setCampus, setLimits } from '@/domain/edits';
import { type SingleRule } from '@/domain/rules';
import { DayToggles } from '@/ui/DayToggles';
import { ValueList } from '@/ui/ValueList';
import { wording } from '@/wording/workbench/LimitEditor';
import { common } from '@/wording/common';

type Props = {
  kind: SingleRule;
  ask: Ask;
  campuses: readonly { id: string; name: string }[];
  change: (edit: (ask: Ask) => Ask) => void;
};

const allModes = ['inPerson', 'hybrid', 'onlineLive', 'online'];

/** The controls of a rule of which there is one. Each change is taken at once. */
export function LimitEditor({ kind, ask, campuses, change }: Props): ReactNode {
  const limits = ask.dayLimits;
  const nameOf = (id: string) => campuses.find((campus) => campus.id === id)?.name ?? id;
  switch (kind) {
    case 'earliestStart':
    case 'latestEnd':
      return (
        <TimeInput
          label={kind === 'earliestStart' ? wording.noClassBefore : wording.noClassAfter}
          value={limits[kind]}
          onChange={(value) => change((now) => setLimits(now, { [kind]: value }))}
        />
      );
    case 'daysOff':
      return (
        <DayToggles
          label={common.daysOff}
          chosen={daysOf(limits.daysOff)}
          onChange={(daysOff) => change((now) => setLimits(now, { daysOff }))}
        />
      );
    case 'campuses':
      return (
        <ValueList
          all={campuses.map((campus) => campus.id)}
          say={nameOf}
          chosen={ask.campus.allowed}
          onChange={(allowed) => change((now) => setCampus(now, { allowed: [...allowed] }))}
        />
      );
    case 'preferred':
      return (
        <Radios
          name="preferred"
          choices={campuses.map((campus) => ({ value: campus.id, label: campus.name }))}
          value={ask.campus.preferred}
          onChange={(preferred) => change((now) => setCampus(now, { preferred }))}
        />
      );
    case 'modes':
      return (
        <ValueList
          all={allModes}
          say={sayMode}
          chosen={ask.modes}
          onChange={(modes) => change((now) => ({ ...now, modes: [...modes] }))}
        />
      );
    case 'seats':
      return (
        <Radios
          name="seats"
          choices={[
            { value: 'open', label: wording.onlyWithFreeSeat },
            { value: 'waitlist', label: wording.seatOrPlaceInWaitlist },
            { value: 'any', label: wording.fullSectionsToo },
          ]}
          value={ask.seats}
          onChange={(seats) => change((now) => ({ ...now, seats }))}
        />
      );
    case 'credits':
      return (
        <div className="flex items-end gap-2">
          {(['min', 'max'] as const).map((side) => (
            <NumberInput
              key={side}
              label={side === 'min' ? common.atLeast : common.atMost}
              unit={wording.credits}
              most={60}
              step={1}
              value={ask.credits[side] ?? (side === 'min' ? 0 : 60)}
              onChange={(value) =>
                change((now) => ({ ...now, credits: inOrder({ ...now.credits, [side]: value }, side) }))
              }
            />
          ))}
        </div>
      );
    default: {
      const number = isDayLimit(kind) ? numberOf(limits, kind) : null;
      if (!number) return null;
      return (
        <NumberInput {...number} onChange={(value) => change((now) => setLimits(now, { [kind]: value }))} />
      );
    }
  }
}

/** The side that was not changed gives way. */
function inOrder(credits: Ask['credits'], changed: 'min' | 'max'): Ask['credits'] {
  const { min, max } = credits;
  if (min === null || max === null || min <= max) return credits;
  return changed === 'min' ? { min, max: min } : { min: max, max };
}

const field = 'rounded-[4px] border border-rule bg-sheet px-2 py-1 tabular-nums aria-invalid:border-brick';

type NumberProps = {
  label: string;
  unit: string;
  most: number;
  step: number;
  value: number;
  onChange: (value: number) => void;
};

function NumberInput({ label, unit, most, step, value, onChange }: NumberProps) {
  return (
    <label className="flex flex-wrap items-center gap-1.5 text-12">
      {label}
      <input
        type="number"
        min={0}
        max={most}
        step={step}
        value={value}
        onChange={(event) => {
          const typed = event.target.valueAsNumber;
          if (Number.isInteger(typed) && typed >= 0 && typed <= most) onChange(typed);
        }}
        className={`${field} w-[68px]`}
      />
      {unit}
    </label>
  );
}

type TimeProps = { label: string; value: string | null; onChange: (value: string) => void };

function TimeInput({ label, value, onChange }: TimeProps) {
  const [typed, setTyped] = useState(value ? sayTime(minuteOf(value)) : '');
  const read = readTime(typed);
  return (
    <label className="flex items-center gap-1.5 text-12">
      {label}
      <input
        value={typed}
        maxLength={8}
        aria-invalid={read === null}
        onChange={(event) => {
          setTyped(event.target.value);
          const minute = readTime(event.target.value);
          if (minute !== null) onChange(apiTime(minute));
        }}
        className={`${field} w-[68px]`}
      />
      {read === null && <span className="text-brick">{wording.timeExample}</span>}
    </label>
  );
}

type RadioProps = {
  name: string;
  choices: readonly { value: string; label: string }[];
  value: string | null;
  onChange: (value: string) => void;
};

export function Radios({ name, choices, value, onChange }: RadioProps) {
  return (
    <>
      {choices.map((choice) => (
        <label key={choice.value} className="flex items-center gap-2 py-0.5 text-12">
          <input
            type="radio"
            name={name}
            checked={choice.value === value}
            onChange={() => onChange(choice.value)}
            className="accent-plum"
          />
          {choice.label}
        </label>
      ))}
    </>
  );
}
