import { useId } from 'react';

const mostWords = 1000;

type Props = { label: string; words: string; onChange: (words: string) => void; onEscape: () => void };

/** What somebody who decides should know, in words. */
export function WordsField({ label, words, onChange, onEscape }: Props) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="mb-1 block">
        {label}
      </label>
      <textarea
        id={id}
        // The student pressed to write this.
        // eslint-disable-next-line jsx-a11y/no-autofocus
        autoFocus
        rows={3}
        onKeyDown={(event) => event.key === 'Escape' && onEscape()}
        maxLength={mostWords}
        value={words}
        onChange={(event) => onChange(event.target.value)}
        className="w-full rounded-[4px] border border-rule bg-paper px-2 py-1.5"
      />
    </div>
  );
}
