import { type SyntheticEvent, useId, useState } from 'react';
import type { Ask, Break } from '@/api/client';
import { type Day, days, daysOf } from '@/lib/days';
import { apiTime, minuteOf, readTime } from '@/lib/time';
import { sayTime } from '@/wording/times';
import { replaceBreak } from '@/domain/edits';
import { Dialog } from '@/ui/Dialog';
import { Complaint, FieldGroup, FormButtons, TextField, wrongHours } from './Fields';
import { DayToggles } from '@/ui/DayToggles';
import { Radios } from './LimitEditor';
import { wording } from '@/wording/workbench/BreakForm';
import { common } from '@/wording/common';

type Props = {
  /** The break to change, or null for a new one. */
  wanted: Break | null;
  change: (edit: (ask: Ask) => Ask) => void;
  onClose: () => void;
};

const strengths = [
  { value: 'cannot', label: wording.mustNoTimetableWithout },
  { value: 'ratherNot', label: wording.ifCanBeOnlyCounts },
];

/** Free time somewhere inside a window, typed. */
export function BreakForm({ wanted, change, onClose }: Props) {
  const id = useId();
  const [chosen, setChosen] = useState<Day[]>(wanted ? daysOf(wanted.days) : days.slice(0, 5));
  const [from, setFrom] = useState(sayTime(minuteOf(wanted?.from ?? '11:30')));
  const [to, setTo] = useState(sayTime(minuteOf(wanted?.to ?? '14:00')));
  const [minutes, setMinutes] = useState(String(wanted?.minutes ?? 40));
  const [strength, setStrength] = useState(wanted?.strength ?? 'cannot');
  const [tried, setTried] = useState(false);

  const start = readTime(from);
  const end = readTime(to);
  const length = /^\d{1,4}$/.test(minutes.trim()) ? Number(minutes) : null;
  const room = start !== null && end !== null && end > start ? end - start : null;
  const wrong = {
    days: chosen.length === 0 ? wording.chooseAtLeastOneDay : null,
    minutes:
      length === null || length < 1
        ? wording.typeNumberOfMinutes
        : room !== null && length > room
          ? wording.windowOnlyMinutes(room)
          : null,
    ...wrongHours(start, end),
  };

  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    setTried(true);
    if (start === null || end === null || length === null || Object.values(wrong).some((one) => one)) return;
    const after = { days: chosen, from: apiTime(start), to: apiTime(end), minutes: length, strength };
    change((now) => replaceBreak(now, wanted, after));
    onClose();
  };

  return (
    <Dialog open onOpenChange={onClose} title={wanted ? wording.break : wording.aBreak}>
      <form onSubmit={submit} className="flex flex-col gap-2.5" noValidate>
        <p className="text-12 text-mute">{wording.freeTimeMayMove}</p>
        <FieldGroup name={common.days}>
          <DayToggles label={common.days} chosen={chosen} onChange={setChosen} />
          <Complaint id={`${id}-days`} text={tried ? wrong.days : null} />
        </FieldGroup>
        <div className="grid grid-cols-3 gap-3">
          {(
            [
              ['minutes', wording.minutes, minutes, setMinutes, '40'],
              ['from', wording.between, from, setFrom, '11:30'],
              ['to', 'and', to, setTo, '14:00'],
            ] as const
          ).map(([name, label, value, onChange, placeholder]) => (
            <TextField
              key={name}
              id={`${id}-${name}`}
              label={label}
              value={value}
              placeholder={placeholder}
              longest={8}
              onChange={onChange}
              wrong={tried ? wrong[name] : null}
            />
          ))}
        </div>
        <FieldGroup name={wording.howStrongly}>
          <Radios name={`${id}-strength`} choices={strengths} value={strength} onChange={setStrength} />
        </FieldGroup>
        <FormButtons
          save={wanted ? common.save : wording.newBreak}
          onRemove={wanted && (() => change((now) => replaceBreak(now, wanted, null)))}
          onClose={onClose}
        />
      </form>
    </Dialog>
  );
}
