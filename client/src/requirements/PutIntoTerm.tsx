import { CalendarPlus } from 'lucide-react';
import type { Plan, StripTerm } from '@/api/client';
import { Button } from '@/ui/Button';
import { Menu, MenuItem } from '@/ui/Menu';
import { type Planned, putInto, termsOf } from './planEdits';
import type { DoneHere } from './useDoneHere';
import { wording } from '@/wording/requirements/PutIntoTerm';

type Props = {
  /** What stands on the button; a sign where there is no room. */
  label?: string;
  what: Planned;
  name: string;
  plan: Plan;
  terms: readonly StripTerm[];
  here: DoneHere;
};

/** Puts a course or a requirement into this term or one ahead. */
export function PutIntoTerm({ label, what, name, plan, terms, here }: Props) {
  const standsIn = termsOf(plan, what);
  return (
    <Menu
      trigger={
        <Button aria-label={label === undefined ? wording.putInto(name) : undefined}>
          {label ?? <CalendarPlus size={16} className="my-0.5" aria-hidden="true" />}
        </Button>
      }
    >
      {terms.map((term) => (
        <MenuItem
          key={term.id}
          onSelect={() =>
            here.changePlan(wording.standsIn(name, term.name), (now) => putInto(now, what, term.id))
          }
        >
          {standsIn.includes(term.id) ? wording.already(term.name) : term.name}
        </MenuItem>
      ))}
    </Menu>
  );
}
