import type { RefObject } from 'react';

type Props = {
  /** Pressed by whatever opens it. */
  inputRef: RefObject<HTMLInputElement | null>;
  label: string;
  accept: string;
  onFile: (file: File) => void;
};

/** Lets one file be chosen; itself unseen. */
export function FilePicker({ inputRef, label, accept, onFile }: Props) {
  return (
    <input
      ref={inputRef}
      type="file"
      accept={accept}
      aria-label={label}
      hidden
      onChange={(event) => {
        const file = event.target.files?.[0];
        // The same file can be chosen again.
        event.target.value = '';
        if (file) onFile(file);
      }}
    />
  );
}
