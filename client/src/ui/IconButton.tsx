import type { ReactNode } from 'react';

type Props = {
  label: string;
  disabled?: boolean;
  isFramed?: boolean;
  onClick: () => void;
  children: ReactNode;
};

/** A button that is a picture; its label is told, and shown by the pointer. */
export function IconButton({ label, disabled = false, isFramed = false, onClick, children }: Props) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className={`rounded-[4px] p-1.5 disabled:cursor-default disabled:text-rule disabled:hover:bg-transparent ${
        isFramed ? 'border border-rule bg-sheet hover:border-ink' : 'hover:bg-hair'
      }`}
    >
      {children}
    </button>
  );
}
