import type { Ask } from '@/api/client';
import { dayLimits, labelOf, startOf } from '@/wording/dayLimits';
import { setCampus, setLimits } from '@/domain/edits';
import type { SingleRule } from '@/domain/rules';
import { wording } from '@/wording/workbench/addableRules';
import { common } from '@/wording/common';

/** Rules that can be added, each with what it says at first. */
export const addableRules: { kind: SingleRule; label: string; start: (ask: Ask, campus: string) => Ask }[] = [
  ...dayLimits.map((limit) => ({
    kind: limit,
    label: labelOf(limit),
    start: (ask: Ask) => setLimits(ask, startOf(limit)),
  })),
  {
    kind: 'campuses',
    label: wording.campusesAllowed,
    start: (ask, campus) => setCampus(ask, { allowed: [campus] }),
  },
  {
    kind: 'preferred',
    label: wording.preferredCampus,
    start: (ask, campus) => setCampus(ask, { preferred: campus }),
  },
  {
    kind: 'modes',
    label: wording.deliveryModes,
    start: (ask) => ({ ...ask, modes: ['inPerson', 'hybrid'] }),
  },
  { kind: 'credits', label: common.credits, start: (ask) => ({ ...ask, credits: { min: 12, max: 18 } }) },
];
