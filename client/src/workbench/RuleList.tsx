import { useQuery } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import type { Break, Sketch, TimeBlock } from '@/api/client';
import { termsQuery } from '@/api/queries';
import { replaceBlock } from '@/domain/edits';
import { removeRule, type Rule, rulesOf, switchRule } from '@/domain/rules';
import { useCampusNames } from '@/domain/useCampusNames';
import type { Edits } from '@/domain/useSketchEdits';
import { FilePicker } from '@/ui/FilePicker';
import { Menu, MenuItem } from '@/ui/Menu';
import { addableRules } from './addableRules';
import { BreakForm } from './BreakForm';
import { Heading } from './Heading';
import { LimitEditor } from './LimitEditor';
import { RuleLine } from './RuleLine';
import { TravelTimes } from './TravelTimes';
import { TypeHours } from './TypeHours';
import { wording } from '@/wording/workbench/RuleList';

type Props = {
  sketch: Sketch;
  edits: Edits;
  /** What each rule costs, by its path; null until it is known. */
  costs: Readonly<Record<string, string>> | null;
  /** What each rule costs at least, where no more is known. */
  leastCosts: Readonly<Record<string, string>> | null;
  onOpenBlock: (block: TimeBlock | 'new') => void;
  /** The file of a calendar was chosen. */
  onCalendar: (file: File) => void;
};

/** Every rule of the sketch as a line with its cost, and what adds one. */
export function RuleList({ sketch, edits, costs, leastCosts, onOpenBlock, onCalendar }: Props) {
  const { ask } = sketch;
  const { change } = edits;
  const campusName = useCampusNames();
  const terms = useQuery(termsQuery);
  const campuses = terms.data?.campuses ?? [];
  const groups = useMemo(() => rulesOf(ask, campusName), [ask, campusName]);
  const picker = useRef<HTMLInputElement>(null);
  const [openBreak, setOpenBreak] = useState<Break | 'new' | null>(null);
  const has = (kind: string) =>
    Object.values(groups).some((rules) => rules.some((rule) => rule.what.kind === kind));

  const line = (rule: Rule) => {
    const { what } = rule;
    const isFixed = what.kind === 'travel' || what.kind === 'onePerDay' || what.kind === 'seats';
    const isListed = what.kind === 'block' || what.kind === 'break';
    return (
      <RuleLine
        key={rule.key}
        rule={rule}
        cost={(rule.path !== null && costs?.[rule.path]) || null}
        least={(rule.path !== null && leastCosts?.[rule.path]) || null}
        onSwitch={() => change((now) => switchRule(now, rule))}
        onRemove={isFixed ? null : () => change((now) => removeRule(now, rule))}
        onOpen={
          rule.path === null
            ? null
            : what.kind === 'block'
              ? () => onOpenBlock(what.block)
              : what.kind === 'break'
                ? () => setOpenBreak(what.wanted)
                : null
        }
        editor={
          isListed || rule.path === null || what.kind === 'onePerDay'
            ? null
            : () =>
                what.kind === 'travel' ? (
                  <TravelTimes travel={terms.data?.travel ?? []} campusName={campusName} />
                ) : (
                  <LimitEditor kind={what.kind} ask={ask} campuses={campuses} change={change} />
                )
        }
      />
    );
  };

  return (
    <>
      <Heading name={wording.hours} aside={costs || leastCosts ? wording.timetablesGainedWithout : ''} />
      <ul aria-label={wording.hoursAndBreaks}>{groups.hours.map(line)}</ul>
      {groups.hours.length === 0 && (
        <p className="pt-1 text-12 text-mute">
          <span className="pointer-coarse:hidden">{wording.drawHoursCantOnGrid}</span>
          <span className="hidden pointer-coarse:inline">{wording.holdFingerOnGrid}</span>
        </p>
      )}
      <TypeHours
        onAdd={(blocks) =>
          change((now) => blocks.reduce((ask, block) => replaceBlock(ask, null, block), now))
        }
      />
      <Heading name={wording.daysCampusSeats} aside="" />
      <ul aria-label={wording.otherRules}>{[...groups.days, ...groups.campuses].map(line)}</ul>
      <Menu
        align="start"
        trigger={
          <button type="button" className="self-start py-2 font-strong text-plum hover:underline">
            {wording.addRule}
          </button>
        }
      >
        <MenuItem onSelect={() => onOpenBlock('new')}>{wording.hoursCantOrRather}</MenuItem>
        <MenuItem onSelect={() => setOpenBreak('new')}>{wording.aBreak}</MenuItem>
        <MenuItem onSelect={() => picker.current?.click()}>{wording.hoursFromCalendarIcs}</MenuItem>
        {addableRules
          .filter(({ kind }) => !has(kind))
          .map(({ kind, label, start }) => (
            <MenuItem key={kind} onSelect={() => change((now) => start(now, campuses[0]?.id ?? ''))}>
              {label}
            </MenuItem>
          ))}
      </Menu>
      <FilePicker
        inputRef={picker}
        label={wording.calendarFile}
        accept=".ics,text/calendar"
        onFile={onCalendar}
      />
      {openBreak !== null && (
        <BreakForm
          wanted={openBreak === 'new' ? null : openBreak}
          change={change}
          onClose={() => setOpenBreak(null)}
        />
      )}
    </>
  );
}
