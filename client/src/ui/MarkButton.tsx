type Props = { label: string; pressed: boolean; onClick: () => void; children: string };

/** A small button that stays down: a section that is kept, or ruled out. */
export function MarkButton({ label, pressed, onClick, children }: Props) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={pressed}
      onClick={onClick}
      className="rounded-[3px] border border-rule px-1 text-11 text-mute hover:border-ink hover:text-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:font-strong aria-pressed:text-sheet"
    >
      {children}
    </button>
  );
}
