import { wording } from '@/wording/domain/SavedState';
type Props = { edits: { isSaving: boolean; isFailing: boolean }; className?: string };

/** Whether what is in view is saved; why not stands above the place. */
export function SavedState({ edits, className = '' }: Props) {
  return (
    <span
      role="status"
      className={`text-12 ${edits.isFailing ? 'font-strong text-brick' : 'text-mute'} ${className}`}
    >
      {edits.isFailing ? wording.notSaved : edits.isSaving ? wording.saving : wording.saved}
    </span>
  );
}
