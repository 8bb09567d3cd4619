import type { Facets } from '@/api/client';
import type { Names } from './narrowing';
import { wording } from '@/wording/catalogue/Subjects';
import { counted } from '@/wording/counted';

type Props = {
  facets: Facets;
  names: Names;
  chosen: readonly string[];
  onChoose: (code: string) => void;
};

/** Every subject of the term: one press lists all that it offers. */
export function Subjects({ facets, names, chosen, onChoose }: Props) {
  return (
    <nav aria-label={wording.subjects} className="min-h-0 flex-1 overflow-y-auto px-4 py-3 max-md:p-0">
      <h2 className="text-14 font-heavy max-md:sr-only">{wording.subjects}</h2>
      <p className="mb-2 text-12 text-mute">{wording.pressSubjectToSeeEvery}</p>
      <ul className="columns-2 gap-4 max-md:columns-1">
        {facets.subjects.map((code) => (
          <li key={code} className="break-inside-avoid">
            <button
              type="button"
              aria-current={chosen.length === 1 && chosen[0] === code}
              onClick={() => onChoose(code)}
              className="flex min-h-7 w-full items-baseline gap-2 rounded-[3px] px-1.5 py-1 text-left hover:bg-plum-wash aria-[current=true]:bg-plum-wash"
            >
              <span className="min-w-0 flex-1 break-words">{names.subject(code)}</span>
              <span
                className="shrink-0 text-12 text-mute"
                title={counted.courses(facets.coursesBySubject[code] ?? 0)}
              >
                {facets.coursesBySubject[code] ?? 0}
                <span className="sr-only">{wording.courses}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </nav>
  );
}
