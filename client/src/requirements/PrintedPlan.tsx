import type { Requirements } from '@/api/client';
import { counted } from '@/wording/counted';
import { sayNeed, sayState } from './sayNode';
import { wording } from '@/wording/requirements/PrintedPlan';
import { wording as entryWording } from '@/wording/requirements/StripEntryCard';

/** Terms with what stands in them, and how the requirements stand; on paper only. */
export function PrintedPlan({ data }: { data: Requirements }) {
  const { audit } = data;
  return (
    <div className="hidden p-2 text-12 print:block">
      <h1 className="text-16 font-heavy">{wording.termsAhead}</h1>
      <table className="mt-2 w-full">
        <tbody>
          {data.terms
            .filter((term) => term.entries.length > 0)
            .map((term) => (
              <tr key={term.id} className="border-t border-rule align-top">
                <th className="py-1 pr-3 text-left font-strong whitespace-nowrap">{term.name}</th>
                <td className="py-1 pr-3 text-right whitespace-nowrap">{counted.credits(term.credits)}</td>
                <td className="py-1">
                  {term.entries
                    .map((entry) =>
                      [
                        entry.course ?? entryWording.oneOf(entry.requirement ?? ''),
                        entryWording.status[entry.status] ?? wording.planned,
                        ...entry.findings,
                      ].join(', '),
                    )
                    .join('; ')}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      {audit && (
        <table className="mt-4 w-full">
          <tbody>
            {audit.nodes.map((node) => (
              <tr key={node.id} className="border-t border-hair">
                <td className="py-0.5 pr-3" style={{ paddingInlineStart: `${node.depth}rem` }}>
                  {node.name}
                </td>
                <td className="py-0.5 pr-3">{sayNeed(node)}</td>
                <td className="py-0.5">{sayState(node)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
