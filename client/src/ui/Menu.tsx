import { DropdownMenu } from 'radix-ui';
import { Check } from 'lucide-react';
import type { ReactNode } from 'react';

const item =
  'flex cursor-pointer items-center gap-2 rounded-[3px] px-2 py-1.5 outline-none data-highlighted:bg-plum-wash';

/**
 * A menu under its trigger. It stays inside the landmark of its trigger and leaves the rest of the page reachable.
 */
type MenuProps = { trigger: ReactNode; align?: "start" | "end"; children: ReactNode };

export function Menu({ trigger, align = "end", children }: MenuProps) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
        <DropdownMenu.Content
          align={align}
          sideOffset={4}
          className="z-50 min-w-44 rounded-[4px] border border-rule bg-sheet p-1 text-14 text-ink shadow-md"
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

export function MenuChoice({ value, choices, onChoose }: ChoiceProps) {
  return (
    <DropdownMenu.RadioGroup value={value} onValueChange={onChoose}>
      {choices.map((choice) => (
        <DropdownMenu.RadioItem key={choice.value} value={choice.value} className={item}>
          <span className="w-4">
            <DropdownMenu.ItemIndicator>
              <Check size={14} aria-hidden="true" />
            </DropdownMenu.ItemIndicator>
          </span>
          {choice.label}
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
      <span className="w-4" />
      {children}
    </DropdownMenu.Item>
  );
}
