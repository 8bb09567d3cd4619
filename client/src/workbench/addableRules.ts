import type { Ask } from '@/api/client';
import { dayLimits, labelOf, startOf } from '@/domain/dayLimits';
import { setCampus, setLimits } from '@/domain/edits';
import type { SingleRule } from '@/domain/rules';

/** Rules that can be added, each with what it says at first. */
export const addableRules: { kind: SingleRule; label: string; start: (ask: Ask, campus: string) => Ask }[] = [
  ...dayLimits.map((limit) => ({
    kind: limit,
    label: labelOf(limit),
    start: (ask: Ask) => setLimits(ask, startOf(limit)),
  })),
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
