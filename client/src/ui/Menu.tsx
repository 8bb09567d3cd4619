import { DropdownMenu } from 'radix-ui';
import { Check } from 'lucide-react';
import { type PointerEvent, type ReactNode, useState } from 'react';

const item =
  'flex cursor-pointer items-center gap-2 rounded-[3px] px-2 py-1.5 outline-none data-highlighted:bg-plum-wash';

/**
 * A menu under its trigger. It stays inside the landmark of its trigger and leaves the rest of the page reachable.
 */
type MenuProps = {
  trigger: ReactNode;
  align?: 'start' | 'end';
  /** Opens when its trigger is let go, so that it can be dragged; else when it is pressed. */
  opensOnClick?: boolean;
  children: ReactNode;
};

export function Menu({ trigger, align = 'end', opensOnClick = false, children }: MenuProps) {
  const [isOpen, setOpen] = useState(false);
  const onClick = opensOnClick && {
    // The primitive must not hear it; were it taken, nothing could be dragged.
    onPointerDownCapture: (event: PointerEvent) => event.stopPropagation(),
    onClick: () => setOpen((now) => !now),
  };
  return (
    <DropdownMenu.Root modal={false} open={isOpen} onOpenChange={setOpen}>
      <DropdownMenu.Trigger asChild {...onClick}>
        {trigger}
      </DropdownMenu.Trigger>
      <DropdownMenu.Content
        align={align}
        sideOffset={4}
        className="z-50 max-h-(--radix-dropdown-menu-content-available-height) max-w-[min(28rem,calc(100vw-1rem))] min-w-44 overflow-y-auto rounded-[4px] border border-rule bg-sheet p-1 text-14 text-ink shadow-md"
      >
        {children}
      </DropdownMenu.Content>
    </DropdownMenu.Root>
  );
}

type ChoiceProps = {
  value: string;
  choices: { value: string; label: string }[];
  onChoose: (value: string) => void;
};

function showChosen(group: HTMLElement | null) {
  const chosen = group?.querySelector('[data-state="checked"]');
  if (!group || !chosen) return;
  group.scrollTop += chosen.getBoundingClientRect().bottom - group.getBoundingClientRect().bottom;
}

export function MenuChoice({ value, choices, onChoose }: ChoiceProps) {
  return (
    // Many choices scroll by themselves, so that what comes after them stays in view.
    <DropdownMenu.RadioGroup
      ref={showChosen}
      // What scrolls can be focused; Tab does not go from item to item in a menu, so it is no stop on the way.
      tabIndex={0}
      value={value}
      onValueChange={onChoose}
      className="max-h-[min(40vh,17rem)] overflow-y-auto"
    >
      {choices.map((choice) => (
        <DropdownMenu.RadioItem key={choice.value} value={choice.value} className={item}>
          <span className="w-4 shrink-0">
            <DropdownMenu.ItemIndicator>
              <Check size={14} aria-hidden="true" />
            </DropdownMenu.ItemIndicator>
          </span>
          <span className="min-w-0 break-words">{choice.label}</span>
        </DropdownMenu.RadioItem>
      ))}
    </DropdownMenu.RadioGroup>
  );
}

export function MenuLine() {
  return <DropdownMenu.Separator className="my-1 h-px bg-hair" />;
}

export function MenuItem({ onSelect, children }: { onSelect: () => void; children: ReactNode }) {
  return (
    <DropdownMenu.Item onSelect={onSelect} className={item}>
      <span className="w-4 shrink-0" />
      <span className="min-w-0 break-words">{children}</span>
    </DropdownMenu.Item>
  );
}
