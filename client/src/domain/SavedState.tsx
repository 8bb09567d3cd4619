type Props = { edits: { isSaving: boolean; isFailing: boolean }; className?: string };

/** Whether what is in view is saved; why not stands above the place. */
export function SavedState({ edits, className = '' }: Props) {
  return (
    <span
      role="status"
      className={`text-12 ${edits.isFailing ? 'font-strong text-brick' : 'text-mute'} ${className}`}
    >
      {edits.isFailing ? 'Not saved' : edits.isSaving ? 'Saving' : 'Saved'}
    </span>
  );
}
