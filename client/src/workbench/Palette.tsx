import { Command } from 'cmdk';
import { useRef } from 'react';
import { Dialog } from '@/ui/Dialog';
import type { Action } from './useShortcuts';
import { wording } from '@/wording/workbench/Palette';

type Props = { actions: readonly Action[]; onClose: () => void };

/** Every action by its name. */
export function Palette({ actions, onClose }: Props) {
  const chosen = useRef<Action | null>(null);
  return (
    // What is done may move the focus, which must be back by then.
    <Dialog open onOpenChange={onClose} onClosed={() => chosen.current?.run()} title={wording.whatToDo}>
      <Command
        label={wording.whatToDo}
        loop
        // The list is all there is to it: Escape closes both at once.
        onKeyDown={(event) => event.key === 'Escape' && onClose()}
      >
        <Command.Input
          placeholder={wording.typeWhatToDo}
          maxLength={100}
          className="w-full rounded-[4px] border border-rule bg-paper px-2.5 py-1.5 text-14 placeholder:text-mute focus:border-plum"
        />
        <Command.List aria-label={wording.actions} className="mt-2 max-h-[22rem] overflow-auto">
          <Command.Empty className="px-2 py-1.5 text-12 text-mute">
            {wording.noActionTheseWords}
          </Command.Empty>
          {actions
            .filter((action) => !action.isKeyOnly)
            .map((action) => (
              <Command.Item
                key={action.name}
                value={action.name}
                onSelect={() => {
                  chosen.current = action;
                  onClose();
                }}
                className="flex cursor-pointer justify-between gap-3 rounded-[3px] px-2 py-1.5 data-[selected=true]:bg-plum-wash"
              >
                {action.name}
                {action.keys !== undefined && (
                  <kbd className="font-sans text-12 text-mute">{action.keys}</kbd>
                )}
              </Command.Item>
            ))}
        </Command.List>
      </Command>
    </Dialog>
  );
}
