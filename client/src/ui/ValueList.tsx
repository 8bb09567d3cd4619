import { useState } from 'react';
import { wording } from '@/wording/ui/ValueList';

/** From so many values on, a field picks among them. */
const manyValues = 12;
const mostShown = 200;

type Props = {
  all: readonly string[];
  say: (value: string) => string;
  chosen: readonly string[];
  onChange: (values: readonly string[]) => void;
};

/** Values to tick; the chosen ones stand first while the list is open anew. */
export function ValueList({ all, say, chosen, onChange }: Props) {
  const [typed, setTyped] = useState('');
  const [first] = useState(chosen);
  const ordered = [
    ...first.filter((value) => all.includes(value)),
    ...all.filter((one) => !first.includes(one)),
  ];
  const wanted = typed.trim().toLowerCase();
  const matching = ordered.filter((value) => say(value).toLowerCase().includes(wanted));
  const shown = matching.slice(0, mostShown);
  return (
    <div>
      {all.length > manyValues && (
        <input
          type="search"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          aria-label={wording.findInList}
          placeholder={wording.findInList}
          className="mb-2 w-full rounded-[4px] border border-rule bg-sheet px-2 py-1 text-14 placeholder:text-mute"
        />
      )}
      {shown.map((value) => (
        <label key={value} className="flex items-center gap-2 py-1">
          <input
            type="checkbox"
            checked={chosen.includes(value)}
            onChange={(event) =>
              onChange(event.target.checked ? [...chosen, value] : chosen.filter((other) => other !== value))
            }
          />
          {say(value)}
        </label>
      ))}
      {matching.length > shown.length && (
        <p className="text-12 text-mute">{wording.moreTypeToFind(matching.length - shown.length)}</p>
      )}
      {matching.length === 0 && <p className="text-12 text-mute">{wording.nothingInList(typed)}</p>}
      {chosen.length > 0 && (
        <button type="button" className="mt-1 text-12 font-strong text-plum" onClick={() => onChange([])}>
          {wording.any}
        </button>
      )}
    </div>
  );
}
