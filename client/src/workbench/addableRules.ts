import type { Ask } from '@/api/client';
import { setCampus, setLimits } from '@/sketch/edits';
import type { SingleRule } from '@/sketch/rules';

/** Rules that can be added, each with what it says at first. */
export const addableRules: { kind: SingleRule; label: string; start: (ask: Ask, campus: string) => Ask }[] = [
  {
    kind: 'earliestStart',
    label: 'Earliest start',
    start: (ask) => setLimits(ask, { earliestStart: '09:00' }),
  },
  { kind: 'latestEnd', label: 'Latest end', start: (ask) => setLimits(ask, { latestEnd: '18:00' }) },
  { kind: 'daysOff', label: 'Days off', start: (ask) => setLimits(ask, { daysOff: ['fri'] }) },
  { kind: 'maxDays', label: 'Most class days', start: (ask) => setLimits(ask, { maxDays: 4 }) },
  {
    kind: 'maxMinutesPerDay',
    label: 'Most class a day',
    start: (ask) => setLimits(ask, { maxMinutesPerDay: 360 }),
  },
  {
    kind: 'maxStretchMinutes',
    label: 'Longest unbroken stretch',
    start: (ask) => setLimits(ask, { maxStretchMinutes: 240 }),
  },
  {
    kind: 'minutesBetween',
    label: 'Minutes between classes',
    start: (ask) => setLimits(ask, { minutesBetween: 10 }),
  },
  {
    kind: 'campuses',
    label: 'Campuses allowed',
    start: (ask, campus) => setCampus(ask, { allowed: [campus] }),
  },
  {
    kind: 'preferred',
    label: 'Preferred campus',
    start: (ask, campus) => setCampus(ask, { preferred: campus }),
  },
  { kind: 'modes', label: 'Delivery modes', start: (ask) => ({ ...ask, modes: ['inPerson', 'hybrid'] }) },
  { kind: 'credits', label: 'Credits', start: (ask) => ({ ...ask, credits: { min: 12, max: 18 } }) },
];
