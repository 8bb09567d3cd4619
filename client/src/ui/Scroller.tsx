import type { ReactNode } from 'react';

type Props = { label: string; className?: string; children: ReactNode };

/** What may be wider than the window: it scrolls by itself, with the keys too. */
export function Scroller({ label, className = '', children }: Props) {
  return (
    // A region that scrolls has to be reached by those without a pointer.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <div role="region" aria-label={label} tabIndex={0} className={`overflow-x-auto ${className}`}>
      {children}
    </div>
  );
}
