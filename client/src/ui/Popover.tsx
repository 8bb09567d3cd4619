import { Popover as Primitive } from 'radix-ui';
import type { ReactNode } from 'react';

type Props = { trigger: ReactNode; label: string; children: ReactNode };

/** A small sheet under its trigger, for a few fields. */
export function Popover({ trigger, label, children }: Props) {
  return (
    <Primitive.Root>
      <Primitive.Trigger asChild>{trigger}</Primitive.Trigger>
      <Primitive.Content
        aria-label={label}
        align="start"
        sideOffset={4}
        collisionPadding={8}
        className="z-50 max-h-[min(24rem,var(--radix-popover-content-available-height))] w-64 overflow-y-auto rounded-[4px] border border-rule bg-sheet p-3 text-14 text-ink shadow-md"
      >
        {children}
      </Primitive.Content>
    </Primitive.Root>
  );
}
