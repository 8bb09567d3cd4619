import { Dialog as Primitive } from 'radix-ui';
import { X } from 'lucide-react';
import { type ReactNode, useRef } from 'react';
import { lastFocused } from '@/lib/lastFocus';
import { wording } from '@/wording/ui/Dialog';

type Props = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  /** A sheet rises from the bottom and takes the width of a phone. */
  sheet?: boolean;
  /** As wide as the window allows, for tables and pictures. */
  wide?: boolean;
  /** Nothing inside has the focus when it opens: there is more to read than to fill in. */
  isForReading?: boolean;
  /** It is closed, and the focus is back where it was. */
  onClosed?: () => void;
  children: ReactNode;
};

export function Dialog({
  open,
  onOpenChange,
  title,
  sheet = false,
  wide = false,
  isForReading = false,
  onClosed,
  children,
}: Props) {
  const opener = useRef<HTMLElement | null>(null);
  return (
    <Primitive.Root open={open} onOpenChange={onOpenChange}>
      <Primitive.Portal>
        <Primitive.Overlay className="fixed inset-0 z-30 bg-scrim" />
        <Primitive.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            opener.current = lastFocused();
            if (!isForReading || !(event.currentTarget instanceof HTMLElement)) return;
            event.preventDefault();
            event.currentTarget.focus();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            // What opened it may be gone with what was done; then the place itself is where one goes on.
            const isGone = opener.current?.isConnected === false;
            const target = isGone ? document.querySelector<HTMLElement>('main h1') : opener.current;
            if (isGone && target) target.tabIndex = -1;
            target?.focus();
            onClosed?.();
          }}
          onEscapeKeyDown={(event) => {
            // The first Escape is for the open list of a field inside.
            if (event.target instanceof Element && event.target.ariaExpanded === 'true')
              event.preventDefault();
          }}
          className={`fixed z-40 overflow-auto border focus:outline-none border-rule bg-sheet p-4 shadow-lg ${
            sheet
              ? 'inset-x-0 bottom-0 max-h-[85dvh]'
              : `top-1/2 left-1/2 max-h-[90dvh] -translate-1/2 rounded-[4px] ${wide ? 'w-[min(72rem,96vw)]' : 'w-[min(26rem,94vw)]'}`
          }`}
        >
          <Primitive.Title className="mb-3 pr-8 text-16 font-heavy">{title}</Primitive.Title>
          {children}
          {/* Last, so that the first thing to fill in has the focus when the dialog opens. */}
          <Primitive.Close
            aria-label={wording.close}
            className="absolute top-3 right-3 rounded-[4px] p-1.5 hover:bg-hair"
          >
            <X size={18} aria-hidden="true" />
          </Primitive.Close>
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}
