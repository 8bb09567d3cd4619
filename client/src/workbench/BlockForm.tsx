import { type SyntheticEvent, useId, useState } from 'react';
import type { Ask, TimeBlock } from '@/api/client';
import { hoursOfBlock, newBlock } from '@/grid/blocks';
import { type Day, daysOf } from '@/lib/days';
import { readTime } from '@/lib/time';
import { sayTime } from '@/wording/times';
import { replaceBlock } from '@/domain/edits';
import { Dialog } from '@/ui/Dialog';
import { Complaint, FieldGroup, fieldLook, FormButtons, TextField, wrongHours } from './Fields';
import { DayToggles } from '@/ui/DayToggles';
import { Radios } from './LimitEditor';
import { readWeeks, writeWeeks } from './readWeeks';
import { wording } from '@/wording/workbench/BlockForm';
import { common } from '@/wording/common';

type Props = {
  /** The block to change, or null for a new one. */
  block: TimeBlock | null;
  weekCount: number;
  change: (edit: (ask: Ask) => Ask) => void;
  onClose: () => void;
};

const strengths = [
  { value: 'cannot', label: wording.cantNoClassMayMeet },
  { value: 'ratherNot', label: wording.ratherNotOnlyCounts },
];

/** Days, hours, weeks, strength and label of a time block, typed. */
export function BlockForm({ block, weekCount, change, onClose }: Props) {
  const id = useId();
  const known = block && hoursOfBlock(block);
  const [chosen, setChosen] = useState<Day[]>(block ? daysOf(block.days) : []);
  const [from, setFrom] = useState(known ? sayTime(known.start) : '');
  const [to, setTo] = useState(known ? sayTime(known.end) : '');
  const [strength, setStrength] = useState(block?.strength ?? 'cannot');
  const [weeks, setWeeks] = useState(writeWeeks(block?.weeks ?? null));
  const [label, setLabel] = useState(block?.label ?? '');
  const [tried, setTried] = useState(false);

  const start = readTime(from);
  const end = readTime(to);
  const inWeeks = readWeeks(weeks, weekCount);
  const wrong = {
    days: chosen.length === 0 ? wording.chooseAtLeastOneDay : null,
    weeks: inWeeks === undefined ? wording.noWeeks(weekCount) : null,
    ...wrongHours(start, end),
  };

  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    setTried(true);
    if (start === null || end === null || inWeeks === undefined || wrong.days || wrong.to) return;
    const after = { ...newBlock(chosen, { start, end }, label.trim(), strength), weeks: inWeeks };
    change((now) => replaceBlock(now, block, after));
    onClose();
  };

  return (
    <Dialog open onOpenChange={onClose} title={block ? common.hours : wording.takeHoursOut}>
      <form onSubmit={submit} className="flex flex-col gap-2.5" noValidate>
        <FieldGroup name={common.days}>
          <DayToggles label={common.days} chosen={chosen} onChange={setChosen} />
          <Complaint id={`${id}-days`} text={tried ? wrong.days : null} />
        </FieldGroup>
        <div className="grid grid-cols-2 gap-3">
          <TextField
            id={`${id}-from`}
            label={wording.from}
            value={from}
            placeholder="8:00"
            longest={8}
            onChange={setFrom}
            wrong={tried ? wrong.from : null}
          />
          <TextField
            id={`${id}-to`}
            label={wording.to}
            value={to}
            placeholder="12:00"
            longest={8}
            onChange={setTo}
            wrong={tried ? wrong.to : null}
          />
        </div>
        <FieldGroup name={wording.howStrongly}>
          <Radios name={`${id}-strength`} choices={strengths} value={strength} onChange={setStrength} />
        </FieldGroup>
        <TextField
          id={`${id}-weeks`}
          label={wording.weeksIfNotAll}
          value={weeks}
          placeholder={wording.weeksExample}
          longest={200}
          onChange={setWeeks}
          wrong={tried ? wrong.weeks : null}
        />
        <label className="flex flex-col gap-1 text-12 text-mute">
          {wording.whatIfLike}
          <input
            value={label}
            onChange={(event) => setLabel(event.target.value)}
            maxLength={200}
            placeholder={wording.boatyardShift}
            className={`${fieldLook} text-14 text-ink`}
          />
        </label>
        <FormButtons
          save={block ? common.save : wording.takeTheseHoursOut}
          onRemove={block && (() => change((now) => replaceBlock(now, block, null)))}
          onClose={onClose}
        />
      </form>
    </Dialog>
  );
}
