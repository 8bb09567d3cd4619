import { Ellipsis } from 'lucide-react';
import { useState } from 'react';
import { copyText } from '@/lib/copyText';
import { dropChoice } from '@/domain/picks';
import { numbersOf } from '@/domain/shortlist';
import { useOpenIn } from '@/domain/useOpenIn';
import type { PicksEdits } from '@/domain/usePicks';
import type { TermVisit } from '@/domain/useTermVisit';
import { Button } from '@/ui/Button';
import { Menu, MenuItem } from '@/ui/Menu';
import { CalendarAddress } from './CalendarAddress';
import { Chooser } from './Chooser';
import type { ChoiceView } from './useChoice';
import { wording } from '@/wording/registration/ChoiceMenu';

type Props = { visit: TermVisit; edits: PicksEdits; view: ChoiceView };

/** What can be done with the choice besides registering it. */
export function ChoiceMenu({ visit, edits, view }: Props) {
  const [isAddressing, setIsAddressing] = useState(false);
  const openIn = useOpenIn(visit.term.id);
  const { choice } = edits.picks;
  if (!choice) return null;
  return (
    <>
      <Chooser visit={visit} edits={edits} isQuiet />
      <Menu
        trigger={
          <Button aria-label={wording.moreOfChoice} className="px-1.5!">
            <Ellipsis size={18} aria-hidden="true" />
          </Button>
        }
      >
        {view.own && (
          <MenuItem onSelect={() => void openIn(choice.sketch, numbersOf(choice.timetable))}>
            {wording.goOnFromHere}
          </MenuItem>
        )}
        <MenuItem onSelect={() => void copyText(view.ordered.map((one) => one.section.number).join('\n'))}>
          {wording.copyAllNumbers(view.ordered.length)}
        </MenuItem>
        <MenuItem onSelect={() => setIsAddressing(true)}>{wording.calendarAddress}</MenuItem>
        <MenuItem onSelect={() => window.print()}>{wording.print}</MenuItem>
        <MenuItem onSelect={() => edits.change(dropChoice)}>{wording.chooseNone}</MenuItem>
      </Menu>
      {isAddressing && <CalendarAddress term={visit.term.id} onClose={() => setIsAddressing(false)} />}
    </>
  );
}
