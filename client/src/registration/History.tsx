import type { Registration } from '@/api/client';
import type { Sections } from '@/domain/useSections';
import { Dialog } from '@/ui/Dialog';
import { historyOf } from './historyOf';
import { wording } from '@/wording/registration/History';

type Props = { registration: Registration & { aheadMs: number }; sections: Sections; onClose: () => void };

/** Every line that was sent with its answer, and all that happened by itself, the latest first. */
export function History({ registration, sections, onClose }: Props) {
  const entries = historyOf(registration, sections);
  return (
    <Dialog open onOpenChange={onClose} title={wording.history} wide isForReading>
      {entries.length === 0 ? (
        <p className="text-mute">{wording.nothingYet}</p>
      ) : (
        <table className="w-full border-collapse text-12">
          <thead className="text-left text-mute">
            <tr>
              {[wording.when, wording.what, wording.cameOfIt].map((name) => (
                <th key={name} scope="col" className="py-1 pr-4 font-text">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {entries.map((entry) => (
              <tr key={entry.key} className="border-t border-hair align-top">
                <td className="py-1 pr-4 whitespace-nowrap tabular-nums">
                  {wording.moment(entry.at, registration.timeZone)}
                </td>
                <td className="py-1 pr-4 font-strong">{entry.what}</td>
                <td className="py-1">{entry.result}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Dialog>
  );
}
