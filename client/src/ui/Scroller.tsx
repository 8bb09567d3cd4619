import type { ReactNode } from 'react';

type Props = {
  label: string;
  className?: string;
  /** Called with what scrolls once it is there; always the same function. */
  onShown?: (element: HTMLElement | null) => void;
  children: ReactNode;
};

/** What may be wider than the window: it scrolls by itself, with the keys too. */
export function Scroller({ label, className = '', onShown, children }: Props) {
  return (
    <div
      ref={onShown}
      role="region"
      aria-label={label}
      // A region that scrolls has to be reached by those without a pointer.
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      className={`overflow-x-auto ${className}`}
    >
      {children}
    </div>
  );
}
